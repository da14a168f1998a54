import { NextResponse } from "next/server";
import { z } from "zod";
import { fault } from "@/core/fault";
import { hashOf, newPhrase, plainPhrase, wrongWith } from "@/house/phrase";
import { copyAlsoTo, wrongFolder } from "@/store/copies";
import { db } from "@/store/db";
import {
  ROLES,
  changePhrase,
  houseOf,
  offerCertificate,
  openDoor,
  opensAgain,
  sendAway,
  shutDoor,
} from "@/store/devices";
import { letBe, takeIn } from "@/store/handed-in";
import { bodyOf, guarded } from "../answer";

const key = z.uuid();
const HouseRequest = z.discriminatedUnion("do", [
  z.strictObject({ key, do: z.literal("make-phrase") }),
  z.strictObject({ key, do: z.literal("own-phrase"), phrase: z.string().max(200) }),
  z.strictObject({
    key,
    do: z.literal("let-in"),
    role: z.enum(ROLES),
    days: z.number().int().min(1).max(30).optional(),
  }),
  z.strictObject({ key, do: z.literal("shut") }),
  z.strictObject({ key, do: z.literal("offer-certificate") }),
  z.strictObject({ key, do: z.literal("send-away"), device: z.union([z.uuid(), z.literal("all")]) }),
  z.strictObject({ key, do: z.enum(["take-in", "let-be"]), letter: z.uuid() }),
  z.strictObject({ key, do: z.literal("opens"), again: z.boolean() }),
  z.strictObject({ key, do: z.literal("copy-also"), folder: z.string().max(300) }),
]);
type Asked = z.infer<typeof HouseRequest>;

const done = (more: object = {}): NextResponse =>
  NextResponse.json({ seq: 0, id: "house", entry: 0, already: false, ...more });
const refused = (name: string, message: string, path: readonly string[] = []): NextResponse =>
  NextResponse.json({ fault: fault(name, message, path) }, { status: 422 });

async function carriedOut(a: Asked): Promise<NextResponse> {
  const sql = db();
  switch (a.do) {
    case "make-phrase": {
      const phrase = newPhrase();
      await changePhrase(sql, await hashOf(phrase));
      return done({ phrase });
    }
    case "own-phrase": {
      const wrong = wrongWith(a.phrase);
      if (wrong) return refused("NoPhrase", wrong, ["phrase"]);
      await changePhrase(sql, await hashOf(a.phrase));
      return done({ phrase: plainPhrase(a.phrase) });
    }
    case "let-in":
      if ((await houseOf(sql)).phrase === undefined)
        return refused("NoPhraseYet", "Make a phrase first: a device says it to be let in.");
      await openDoor(sql, a.role, a.days);
      return done();
    case "shut":
      await shutDoor(sql);
      return done();
    case "offer-certificate":
      await offerCertificate(sql);
      return done();
    case "send-away":
      await sendAway(sql, a.device);
      return done();
    case "take-in":
    case "let-be": {
      const wrong = await (a.do === "take-in" ? takeIn(sql, a.letter) : letBe(sql, a.letter));
      return wrong ? NextResponse.json({ fault: wrong }, { status: 422 }) : done();
    }
    case "opens":
      await opensAgain(sql, a.again);
      return done();
    case "copy-also": {
      const wrong = wrongFolder(a.folder);
      if (wrong) return refused("NotAFolder", wrong, ["folder"]);
      await copyAlsoTo(sql, a.folder);
      return done();
    }
  }
}

/** What a keeper does about the house's door, its phrase and its devices. Who may ask is the front's table of doors to say. */
export async function POST(request: Request): Promise<NextResponse> {
  const body = await bodyOf(request, HouseRequest);
  if (!body.ok) return body.response;
  return guarded(() => carriedOut(body.value));
}

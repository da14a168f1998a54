"use client";
import { useState } from "react";
import { type Day, printDay } from "@/core/day";
import { counted } from "@/core/words";
import { useToday } from "../kit/when";
import { Phrase } from "./door-phrase";
import { type Door, useDoor } from "./use-door";

/** A device that is let in, as the household sees it. */
export interface KeptDevice {
  readonly id: string;
  readonly name: string;
  readonly role: "keeper" | "hand";
  readonly seen: Day;
  /** The last day of a visitor's pass. */
  readonly until: Day | undefined;
}
export interface DoorStands {
  readonly opensAgain: boolean;
  readonly hasPhrase: boolean;
  /** Minutes for which a device is let in still. */
  readonly doorMinutes: number;
  readonly certificateMinutes: number;
  readonly wrong: number;
  /** Where the house is open; nothing while it is on this machine alone. */
  readonly front:
    | {
        readonly ways: readonly string[];
        readonly certificate: string;
        readonly qr: string;
        readonly fingerprint: string;
        readonly refused: readonly string[];
      }
    | undefined;
  readonly devices: readonly KeptDevice[];
}

const AS = {
  hand: { words: "one that works in the house", role: "hand" },
  keeper: { words: "a keeper’s", role: "keeper" },
  visitor: { words: "a visitor’s, for a day", role: "hand", days: 1 },
} as const;
type As = keyof typeof AS;

/** Opens the door for some minutes, for one sort of device. */
function LetIn({ stands, d }: { stands: DoorStands; d: Door }) {
  const [as, setAs] = useState<As>("hand");
  const minutes = Math.ceil(stands.doorMinutes);
  if (minutes > 0)
    return (
      <p role="status" className="flex flex-wrap gap-x-6 items-center">
        <span>
          The door is open for <strong>{counted(minutes, "minute")}</strong>. On the other device open the
          house’s address and say the phrase.
        </span>
        <button
          type="button"
          className="plain min-h-11"
          disabled={d.sending}
          onClick={() => void d.act({ do: "shut" })}
        >
          shut it now
        </button>
      </p>
    );
  return (
    <form
      className="flex flex-wrap gap-4 items-end"
      onSubmit={(e) => {
        e.preventDefault();
        const { role, ...more } = AS[as];
        void d.act({ do: "let-in", role, ...("days" in more ? { days: more.days } : {}) });
      }}
    >
      <p>
        <label htmlFor="let-in-as" className="quiet block">
          a device, and which
        </label>
        <select id="let-in-as" className="field" value={as} onChange={(e) => setAs(e.target.value as As)}>
          {(Object.keys(AS) as As[]).map((k) => (
            <option key={k} value={k}>
              {AS[k].words}
            </option>
          ))}
        </select>
      </p>
      <button type="submit" className="slab" disabled={d.sending || !stands.hasPhrase}>
        let a device in
      </button>
      {!stands.hasPhrase && <span className="quiet">make a phrase first</span>}
    </form>
  );
}

function Devices({ all, d }: { all: readonly KeptDevice[]; d: Door }) {
  const today = useToday();
  if (all.length === 0) return <p className="quiet">No device is let in yet.</p>;
  return (
    <ul aria-label="Devices let in">
      {all.map((x) => (
        <li key={x.id} className="flex flex-wrap items-center gap-x-5 border-b border-rule">
          <span className="min-w-0 break-words">
            <strong>{x.name}</strong>
            {x.role === "keeper" ? ", a keeper’s" : ""}
            {x.until ? `, until ${printDay(x.until, "long", today)}` : ""}
          </span>
          <span className="text-ash">seen {x.seen >= today ? "today" : printDay(x.seen, "long", today)}</span>
          <button
            type="button"
            className="plain min-h-11"
            disabled={d.sending}
            aria-label={`Send away: ${x.name}`}
            onClick={() => void d.act({ do: "send-away", device: x.id })}
          >
            send away
          </button>
        </li>
      ))}
    </ul>
  );
}

/** A fingerprint in rows of eight, as an eye compares them. */
const inRows = (fingerprint: string): readonly string[] => fingerprint.match(/.{1,24}/g) ?? [];

/** Where the house is reached, and its certificate beside the fingerprint it is compared by. */
function Ways({ front, minutes, d }: { front: NonNullable<DoorStands["front"]>; minutes: number; d: Door }) {
  return (
    <div className="grid grid-cols-1 gap-3">
      <p>
        The house is open at{" "}
        {front.ways.map((w, i) => (
          <span key={w}>
            {i > 0 ? ", " : ""}
            <strong className="break-all">{w}</strong>
          </span>
        ))}
        .
      </p>
      {front.refused.map((x) => (
        <p key={x} className="wrong">
          {x}
        </p>
      ))}
      {minutes > 0 ? (
        <div role="status" className="flex flex-wrap gap-6 items-start">
          <img
            src={`data:image/svg+xml;utf8,${encodeURIComponent(front.qr)}`}
            alt={`${front.certificate} as a code to be read by a camera`}
            width={200}
            height={200}
          />
          <div className="min-w-0 max-w-prose">
            <p>
              For {counted(Math.ceil(minutes), "minute")} the certificate is handed out at{" "}
              <strong className="break-all">{front.certificate}</strong>.
            </p>
            <p className="pt-2">
              Before a device takes it in, compare what it shows with this, letter by letter:
            </p>
            <p className="font-mono text-[0.9375rem]">
              {inRows(front.fingerprint).map((row) => (
                <span key={row} className="block break-all">
                  {row}
                </span>
              ))}
            </p>
          </div>
        </div>
      ) : (
        <p>
          <button
            type="button"
            className="plain min-h-11"
            disabled={d.sending}
            onClick={() => void d.act({ do: "offer-certificate" })}
          >
            hand out the house’s certificate
          </button>{" "}
          <span className="quiet">so that a device knows this house without a warning</span>
        </p>
      )}
    </div>
  );
}

/** The house opened to other devices: where, by which phrase, and who is in. A keeper's alone. */
export function HouseDoor({ stands }: { stands: DoorStands }) {
  const d = useDoor();
  return (
    <section aria-labelledby="door" className="grid grid-cols-1 gap-4">
      <h2 id="door" className="ruled-head">
        Other devices
      </h2>
      {stands.front ? (
        <Ways front={stands.front} minutes={stands.certificateMinutes} d={d} />
      ) : (
        <p className="max-w-prose">
          The app answers this machine alone. Opened, it also answers a tablet by the stove and a telephone in
          the pantry, in this house and nowhere else.
        </p>
      )}
      <label className="flex items-center gap-2 min-h-11 cursor-pointer">
        <input
          type="checkbox"
          className="w-6 h-6 accent-cobalt"
          checked={stands.opensAgain}
          disabled={d.sending}
          onChange={(e) => void d.act({ do: "opens", again: e.target.checked })}
        />
        open the house to other devices, now and whenever the app is started
      </label>
      <Phrase has={stands.hasPhrase} d={d} />
      {stands.front && <LetIn stands={stands} d={d} />}
      {stands.wrong > 0 && (
        <p className="text-rust font-semibold">
          {counted(stands.wrong, "wrong phrase", "wrong phrases")} since the door was opened last.
        </p>
      )}
      <Devices all={stands.devices} d={d} />
      {d.fault && d.fault.name !== "NoPhrase" && (
        <p role="alert" className="wrong">
          {d.fault.message}
        </p>
      )}
    </section>
  );
}

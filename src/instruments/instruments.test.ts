import { request } from "node:http";
import type { Server } from "node:net";
import { connect } from "node:net";
import { probe } from "../standins/probe";
import { scale } from "../standins/scale";
import { type StandIn, serveStandIn } from "../standins/serve";
import { Hub } from "./hub";
import { LONGEST_LINE, Lines } from "./said";

const open: (Server | Hub)[] = [];
afterAll(() => open.forEach((s) => void s.close()));

const portOf = (s: Server): number => (s.address() as { port: number }).port;
async function served(s: StandIn, port = 0): Promise<Server> {
  const server = await serveStandIn(s, port);
  open.push(server);
  return server;
}
const hubOn = (sort: "scale" | "probe", port: number): Hub => {
  const hub = new Hub(() => new Date().toISOString());
  hub.add(sort, "127.0.0.1", port);
  open.push(hub);
  return hub;
};
async function until(test: () => boolean, ms = 8000): Promise<void> {
  for (let t = 0; t < ms; t += 25) {
    if (test()) return;
    await new Promise((r) => setTimeout(r, 25));
  }
  throw new Error("it did not come about");
}
const act = (s: StandIn, form: Record<string, string>): void => s.act(new URLSearchParams(form));

test("lines come whole, however the socket cuts them; one that never ends is dropped", () => {
  const lines = new Lines();
  expect(lines.push('{"say":')).toEqual([]);
  expect(lines.push('"x"}\n{"say":"y"}\n{"s')).toEqual(['{"say":"x"}', '{"say":"y"}']);
  expect(lines.push("a".repeat(LONGEST_LINE + 10))).toEqual([]);
  expect(lines.push('\n{"say":"z"}\n')).toEqual(['{"say":"z"}']);
});

test("a scale tells what lies on it and is set to nought; a browser at the same port gets its page", async () => {
  const s = scale(3, Date.now);
  const server = await served({ ...s, every: 20 });
  const hub = hubOn("scale", portOf(server));
  act(s, { do: "put", g: "400" });
  await until(() => Math.abs((hub.all[0]?.value ?? 0) - 400) < 5 && hub.all[0]!.stable);
  expect(hub.command("scale", { say: "command", do: "tare" })).toBe(true);
  await until(() => Math.abs(hub.all[0]!.value ?? 99) < 5);
  const at = `http://127.0.0.1:${portOf(server)}`;
  const reply = await fetch(`${at}/`);
  expect(await reply.text()).toContain("Kitchen scale");
  // Another page in the same browser neither reads it nor presses its buttons.
  const press = (origin?: string) =>
    fetch(`${at}/`, {
      ...{ method: "POST", body: new URLSearchParams({ do: "put", g: "250" }), redirect: "manual" as const },
      headers: origin ? { origin } : {},
    });
  expect((await press("http://elsewhere.example")).status).toBe(403);
  expect((await press()).status).toBe(403);
  const named = await new Promise<number>((done) => {
    request(`${at}/`, { headers: { host: "elsewhere.example" } }, (r) => done(r.statusCode ?? 0)).end();
  });
  expect(named).toBe(403);
  expect(Math.abs(hub.all[0]!.value ?? 99)).toBeLessThan(5);
  expect((await press(at)).status).toBe(303);
  await until(() => Math.abs((hub.all[0]!.value ?? 0) - 250) < 5);
}, 15_000);

test("850 °C is kept aside and said; what was shown before stands", async () => {
  const s = probe(5, Date.now);
  const server = await served({ ...s, every: 20 });
  const hub = hubOn("probe", portOf(server));
  await until(() => hub.all[0]?.value !== undefined);
  act(s, { do: "lie" });
  await until(() => hub.all[0]!.aside !== undefined);
  expect(hub.all[0]!.aside).toMatchObject({ value: 850, why: "out-of-range" });
  expect(hub.all[0]!.value).toBeLessThan(30);
}, 15_000);

test("a line that drops is told, and comes back by itself at the same place", async () => {
  let now = Date.now();
  const s = probe(5, () => now);
  const server = await served({ ...s, every: 20 });
  const hub = hubOn("probe", portOf(server));
  await until(() => hub.all[0]?.there === true && hub.all[0].value !== undefined);
  act(s, { do: "drop", seconds: "60" });
  await until(() => hub.all[0]!.there === false);
  expect(hub.all[0]!.value).toBeDefined();
  now += 61_000;
  await until(() => hub.all[0]!.there === true);
}, 20_000);

test("nonsense on the line is answered and harms nothing", async () => {
  const server = await served({ ...scale(3, Date.now), every: 1000 });
  const said = await new Promise<string>((done) => {
    const socket = connect(portOf(server), "127.0.0.1", () => socket.write("not json\n"));
    socket.once("data", (d) => {
      socket.destroy();
      done(d.toString());
    });
  });
  expect(JSON.parse(said)).toMatchObject({ say: "status", ok: false });
});

test("a heated pan comes to its boil and a cooled one to the room, the same from the same seed", () => {
  const run = (): number[] => {
    let now = 0;
    const p = probe(9, () => now);
    act(p, { do: "heat", to: "98" });
    const shown: number[] = [];
    const look = (): void => void shown.push((p.figure() as { value: number }).value);
    for (let m = 0; m < 40; m++) {
      now += 60_000;
      look();
    }
    act(p, { do: "cool" });
    for (let m = 0; m < 600; m += 10) {
      now += 600_000;
      look();
    }
    return shown;
  };
  const a = run();
  expect(a[39]).toBeGreaterThan(95);
  expect(Math.abs(a.at(-1)! - 20)).toBeLessThan(3);
  expect(run()).toEqual(a);
});

import { z } from "zod";
import { type StandIn, button, field, page } from "./serve";

const Job = z.object({
  id: z.string().max(60),
  widthMm: z.number().min(10).max(200),
  heightMm: z.number().min(10).max(260),
  svg: z.string().max(400_000),
});

/** Labels on a new roll; the tray shows the last so many. */
const [ROLL, SHOWN] = [12, 6];

/** A label printer: takes one label after another, lays them in its tray, and stops when its roll is at an end. */
export function labelPrinter(): StandIn {
  let [left, jammed] = [ROLL, false];
  const tray: z.infer<typeof Job>[] = [];
  const no = (words: string) => ({ say: "status", ok: false, words });
  return {
    hello: { say: "hello", version: 1, sort: "label-printer", id: "printer-1", name: "Label printer" },
    every: 60_000,
    longest: 450_000,
    figure: () => undefined,
    command: () => no("a label printer takes jobs"),
    job: (said) => {
      const job = Job.safeParse(said);
      if (!job.success) return no("that is no label");
      if (jammed) return no("it is jammed");
      if (left === 0) return no("it is out of labels");
      left -= 1;
      tray.unshift(job.data);
      tray.splice(SHOWN);
      return { say: "status", ok: true, words: `printed, ${left} left on the roll` };
    },
    line: () => true,
    act: (form) => {
      const n = Number(form.get("n"));
      switch (form.get("do")) {
        case "roll":
          if (Number.isInteger(n) && n >= 0 && n <= 500) left = n;
          break;
        case "jam":
          jammed = !jammed;
          break;
        case "tray":
          tray.length = 0;
          break;
      }
    },
    page: () =>
      page(
        "Label printer",
        `<p><output>${left} left</output>${jammed ? " jammed" : ""}</p>
${button("roll", "put in a roll of", field("n", String(ROLL), "labels"))}${button("jam", jammed ? "clear the jam" : "jam it")}${button("tray", "empty the tray")}
<h2>In the tray</h2>${tray
          .map(
            (j) =>
              `<p><img alt="${j.id.replace(/[^\w.· -]/g, "")}" style="width:${j.widthMm}mm;height:${j.heightMm}mm;background:#fff;outline:1px solid #1f2125" src="data:image/svg+xml;base64,${Buffer.from(j.svg).toString("base64")}"></p>`,
          )
          .join("")}`,
        5,
      ),
  };
}

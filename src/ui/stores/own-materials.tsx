"use client";
import { useState } from "react";
import type { Catalogue } from "@/core/material/catalogue";
import type { UnitSystem } from "@/core/quantity/units";
import type { Stored } from "@/core/stores/events";
import type { OwnMaterial } from "@/core/stores/item";
import { LIKE } from "@/core/stores/own";
import { WriteDown } from "../plan/write-down";
import { usePutAway } from "./put-away";
import { Blend, blendWords } from "./blend";
import { OneCup, WeighACup } from "./weigh-a-cup";

/** One of the household's own plants. */
function OnePlant({
  stored,
  row,
  catalogue,
}: {
  stored: Stored;
  row: OwnMaterial["row"];
  catalogue: Catalogue;
}) {
  const { putAway, sending } = usePutAway();
  return (
    <li className="border-b border-rule py-2 flex flex-wrap gap-x-5 items-baseline">
      <span className="font-semibold">{row.names[0]}</span>
      {row.latin && <span className="italic">{row.latin}</span>}
      <span className="text-ash grow">
        {row.holds?.length ? `a blend of ${blendWords(row, catalogue)}` : `figures of ${LIKE[row.class]}`}
        {row.holds?.length || row.water === undefined ? "" : `, ${Math.round(100 * row.water)} % water fresh`}
      </span>
      <button
        type="button"
        className="plain text-ash min-h-11"
        disabled={sending}
        onClick={() => void putAway(stored.id, row.names[0]!, "put away", stored.seq)}
      >
        take it out of the lists<span className="sr-only">: {row.names[0]}</span>
      </button>
    </li>
  );
}

/** Plants of the household's own, and cups it has weighed itself. */
export function OwnMaterials({
  items,
  household,
  catalogue,
}: {
  items: readonly Stored[];
  household: UnitSystem;
  catalogue: Catalogue;
}) {
  const [writing, setWriting] = useState(false);
  const [blending, setBlending] = useState(false);
  const plants = items.flatMap((s) => (s.item.what === "material" ? [{ s, row: s.item.row }] : []));
  const cups = items.flatMap((s) => (s.item.what === "weighed" ? [{ s, cup: s.item }] : []));
  return (
    <section aria-labelledby="own" className="pt-2">
      <h2 id="own" className="text-[1.25rem]">
        By your own measure
      </h2>
      <h3 className="ruled-head pt-3">Plants of your own</h3>
      {plants.length > 0 && (
        <ul>
          {plants.map(({ s, row }) => (
            <OnePlant key={s.id} stored={s} row={row} catalogue={catalogue} />
          ))}
        </ul>
      )}
      {writing ? (
        <WriteDown
          name=""
          catalogue={catalogue}
          keepWords="Keep it"
          done={() => setWriting(false)}
          cancel={() => setWriting(false)}
        />
      ) : (
        <p>
          <button type="button" className="plain min-h-11" onClick={() => setWriting(true)}>
            write down a plant that is not known here
          </button>
        </p>
      )}
      {blending ? (
        <Blend catalogue={catalogue} system={household} done={() => setBlending(false)} />
      ) : (
        <p>
          <button type="button" className="plain min-h-11" onClick={() => setBlending(true)}>
            write down a blend of your own
          </button>
        </p>
      )}
      <h3 className="ruled-head pt-4">Cups you have weighed</h3>
      <p className="max-w-prose pt-1">
        A cup of cut herb weighs what your hand and your cutting make it. Weigh one, and the Bench reckons by
        it.
      </p>
      {cups.length > 0 && (
        <ul>
          {cups.map(({ s, cup }) => (
            <OneCup key={s.id} stored={s} cup={cup} catalogue={catalogue} />
          ))}
        </ul>
      )}
      <WeighACup household={household} catalogue={catalogue} />
    </section>
  );
}

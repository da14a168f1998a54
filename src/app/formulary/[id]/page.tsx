import type { Measures } from "@/core/reading/measures";
import type { Metadata } from "next";
import Link from "@/ui/kit/link";
import { printDay } from "@/core/day";
import { BESIDE, type Beside, type Reckoned, besideOf } from "@/core/formulary/reckoned";
import type { CameFrom } from "@/core/formulary/events";
import { linesOf } from "@/core/plan/edit";
import { ordinal, sweetness } from "@/core/words";
import { db } from "@/store/db";
import { recipeOf } from "@/store/recipes";
import { Book } from "@/ui/formulary/book";
import { CameOfIt } from "@/ui/formulary/came-of-it";
import { CarryOut } from "@/ui/formulary/carry-out";
import { RecipeActions } from "@/ui/formulary/recipe-actions";
import { RecipeJar } from "@/ui/formulary/recipe-jar";
import { RecipeWords } from "@/ui/formulary/recipe-words";
import { Versions } from "@/ui/formulary/versions";
import { verdictHead } from "@/ui/plan/verdict-words";
import { frame } from "../../frame";
import { bookRows } from "../book-rows";
import { type RecipePageView, recipePage } from "../recipe-page";

interface Params {
  readonly params: Promise<{ id: string }>;
  readonly searchParams: Promise<{ v?: string; beside?: string }>;
}

export async function generateMetadata({ params, searchParams }: Params): Promise<Metadata> {
  const [{ id }, { v, beside }] = await Promise.all([params, searchParams]);
  const { recipe } = await recipePage(id, v, beside);
  return { title: recipe.name };
}

/** Where a version came from, in words, with a way there. */
async function FromWhere({ from }: { from: CameFrom | undefined }) {
  switch (from?.as) {
    case undefined:
      return "ours";
    case "told":
      return `from ${from.by}`;
    case "pasted":
      return "written in, in its own words";
    case "file":
      return `from the file ${from.name}`;
    case "batch":
      return (
        <>
          {from.did === "done" ? "as it was made in " : "as it was planned for "}
          <Link href={`/batch/${from.id}`}>{from.code}</Link>
        </>
      );
    case "recipe": {
      const other = await recipeOf(db(), from.id);
      return (
        <>
          grown from{" "}
          <Link href={`/formulary/${from.id}?v=${from.version}`}>{other?.name ?? "another recipe"}</Link>
        </>
      );
    }
  }
}

const FIGURE: Readonly<Record<Beside, (r: Reckoned, m: Measures) => string>> = {
  makes: ({ reckoning: r }, m) => m.volumeBoth(r.finished.ml.value),
  sweet: ({ reckoning: r }) => sweetness(r.finished.brix.value),
  sharp: ({ reckoning: r }) => `${r.finished.acid.value.toFixed(1)} % acid`,
  keeps: ({ reckoning: r }) => {
    const head = verdictHead(r.verdict);
    return `${head.place} ${head.life}`.replace(/\.$/, "");
  },
};
const MORE: Readonly<Record<Beside, readonly [more: string, less: string]>> = {
  makes: ["more of it", "less of it"],
  sweet: ["sweeter", "less sweet"],
  sharp: ["sharper", "milder"],
  keeps: ["keeps longer", "keeps less long"],
};

/** What the version comes to, and what that was in the one beside it. */
function Comes({ is, was, measures }: { is: Reckoned; was: Reckoned | undefined; measures: Measures }) {
  return (
    <ul>
      {BESIDE.map((what) => {
        const [now, then] = [FIGURE[what](is, measures), was && FIGURE[what](was, measures)];
        const up = was !== undefined && besideOf(is, what) > besideOf(was, what);
        return (
          <li key={what} className="pt-2">
            <strong>{now}</strong>
            {then !== undefined && then !== now && `, was ${then}`}
            {then !== undefined && (
              <span className="quiet block">{then === now ? "as it was" : MORE[what][up ? 0 : 1]}</span>
            )}
          </li>
        );
      })}
    </ul>
  );
}

function Learnt({ p }: { p: RecipePageView }) {
  if (p.learned.length === 0) return null;
  return (
    <section aria-labelledby="learned" className="pt-3">
      <h2 id="learned" className="ruled-head">
        What its batches taught
      </h2>
      <ul>
        {p.learned.map((l, i) => (
          <li key={l.words} className="py-1.5 border-b border-rule">
            {l.words}. <span className="quiet">{l.because}</span>{" "}
            <Link
              className="inline-flex items-center min-h-11"
              href={`/bench?recipe=${p.recipe.id}&v=${p.version.n}&learned=${i}`}
            >
              set it on the Bench so
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What was written of it beside its lines: notes, and its own words where it came in words. */
function Written({ p }: { p: RecipePageView }) {
  const { recipe, version } = p;
  const text = version.from?.as === "pasted" ? version.from.text : undefined;
  return (
    <>
      {recipe.note && <p className="pt-2">{recipe.note}</p>}
      {recipe.notes.map((n) => (
        <p key={n.seq} className="pt-2">
          <q>{n.text}</q> <span className="quiet">{printDay(n.day, "year")}</span>
        </p>
      ))}
      {text !== undefined && (
        <details className="pt-2">
          <summary className="min-h-11 text-cobalt">as it was written</summary>
          <p className="whitespace-pre-line border-l-4 border-rule pl-3">{text}</p>
        </details>
      )}
    </>
  );
}

/** Its jar with what the version comes to, beside the other's; and what changed between them. */
function InItsJar({ p, measures }: { p: RecipePageView; measures: Measures }) {
  const { recipe, version, other } = p;
  return (
    <div className="min-w-0 lg:border-l-2 lg:border-iron lg:pl-8">
      {p.reckoned ? (
        <div className="grid sm:grid-cols-[minmax(0,1fr)_9.5rem] gap-x-4">
          <RecipeJar is={p.reckoned} was={p.before} name={recipe.name} />
          <section aria-labelledby="beside">
            <h2 id="beside" className="ruled-head">
              {other ? `${version.n} beside ${other.n}` : "what it comes to"}
            </h2>
            <Comes measures={measures} is={p.reckoned} was={p.before} />
          </section>
        </div>
      ) : (
        <p className="wrong">It cannot be reckoned as it stands. Set it on the Bench, where it says why.</p>
      )}
      {p.differences.length > 0 && (
        <section aria-labelledby="changed" className="pt-4">
          <h2 id="changed" className="ruled-head">
            What changed
          </h2>
          <ul>
            {p.differences.map((d) => (
              <li key={d.words} className="py-1 border-b border-rule">
                {d.words}
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}

/** One recipe: its versions, how it stands in its vessel, what changed, and what came of it. */
export default async function RecipeView({ params, searchParams }: Params) {
  const [{ id }, { v, beside }] = await Promise.all([params, searchParams]);
  const [p, { home, measures }, book] = await Promise.all([recipePage(id, v, beside), frame(), bookRows("")]);
  const { recipe, version, other, plan } = p;
  return (
    <div className="pt-5 grid gap-x-8 gap-y-6 lg:grid-cols-[8.5rem_minmax(0,1fr)_minmax(0,33rem)]">
      <div className="no-print flex lg:block gap-x-8 order-last lg:order-none">
        <Versions recipe={recipe} version={version} other={other} />
        <div className="lg:pt-8 min-w-0">
          <Book rows={book.rows} more={book.more} asked="" here={recipe.id} />
        </div>
      </div>
      <div className="min-w-0">
        <h1>{recipe.name}</h1>
        <p className="quiet pb-3">
          <FromWhere from={version.from} />; the {ordinal(version.n)} way, {printDay(version.day, "year")}
          {version.why ? `: ${version.why}` : ""}
          {version.undone ? " (taken back)" : ""}
        </p>
        <RecipeWords plan={plan} program={p.reckoned?.program} differences={p.differences} />
        {linesOf(plan).length === 0 && <p className="quiet">Nothing goes in yet.</p>}
        <Written p={p} />
        <p className="no-print pt-4 flex flex-wrap gap-x-5 items-center">
          <Link className="slab" href={`/bench?recipe=${recipe.id}&v=${version.n}`}>
            Make it again
          </Link>
          <span className="quiet">it is set on the Bench</span>
        </p>
        <RecipeActions recipe={recipe} version={version} />
        <CarryOut id={recipe.id} version={version.n} />
        <Learnt p={p} />
        <section aria-labelledby="came" className="pt-4">
          <h2 id="came" className="ruled-head">
            What came of it
          </h2>
          <CameOfIt came={p.came} currency={home.currency} all={p.batches} />
        </section>
      </div>
      <InItsJar measures={measures} p={p} />
    </div>
  );
}

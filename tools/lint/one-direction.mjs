/**
 * The floors of the core, ground floor first, and on each floor its rooms from left to right. A room imports rooms on floors below
 * it, and rooms to its left on its own. docs/house.md says in a sentence what each is for.
 */
export const FLOORS = [
  ["fault", "estimate", "words", "day", "real-day", "envelope", "remembered"],
  ["quantity"],
  ["mixture", "material", "vessel", "keeping"],
  ["reading"],
  ["plan"],
  ["reckoning"],
  ["kitchen"],
  ["people", "care", "cautions"],
  ["make"],
  ["journal", "cellar", "stores", "formulary"],
  ["label"],
  ["advice", "season", "exchange", "standing"],
];
const ORDER = new Map(FLOORS.flat().map((room, i) => [room, i]));

const roomOf = (path) => /(?:^|\/)src\/core\/([^/.]+)/.exec(path.replaceAll("\\", "/"))?.[1];

function targetOf(file, spec) {
  if (spec.startsWith("@/core/")) return roomOf(`src/core/${spec.slice(7)}`);
  if (!spec.startsWith(".")) return undefined;
  return roomOf(new URL(spec, `file://${file}`).pathname);
}

/** Rooms of the core import downward only, and every room has its floor. */
export const oneDirection = {
  meta: { type: "problem", schema: [], docs: { description: "rooms of the core import downward only" } },
  create(context) {
    const from = roomOf(context.filename);
    if (from === undefined) return {};
    return {
      Program(node) {
        if (!ORDER.has(from))
          context.report({ node, message: `“${from}” has no floor in tools/lint/one-direction.mjs.` });
      },
      ImportDeclaration: (node) => check(node, node.source.value),
      ExportNamedDeclaration: (node) => node.source && check(node, node.source.value),
      ExportAllDeclaration: (node) => check(node, node.source.value),
    };
    function check(node, spec) {
      const to = targetOf(context.filename, spec);
      if (to === undefined || to === from) return;
      if (!ORDER.has(to) || ORDER.get(to) > ORDER.get(from))
        context.report({ node, message: `“${from}” stands below “${to}” and may not know it.` });
    }
  },
};

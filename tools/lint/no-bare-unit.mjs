/** A figure's unit behind it, as it would be glued to a number: “ mL”, “°C”, “ cm”; “L” draws lines, and “in” is said of much. */
const UNIT = /^(?:\s?(?:mL|°C|°F|kg)|\s(?:cm|mm|fl oz|oz|lb))(?![\p{L}\d])/u;
/** A whole quantity said in words: what a field takes is said in examples the household reads, so these are forbidden too. */
const SAID = /\d\s?(?:mL|°C|°F|fl oz)(?![\p{L}\d])/u;

/**
 * A page writes no unit behind a figure: quantities are written by the household's measures (`useUnits`, `frame().measures`, `core/reading/measures`),
 * which know whose they are. A text that stands beside its counterpart in other measures is said why, and let be.
 */
export const noBareUnit = {
  meta: {
    type: "problem",
    schema: [],
    docs: { description: "quantities are written by the household’s measures" },
  },
  create(context) {
    const told = (node) =>
      context.report({
        node,
        message: "A unit is written by the household’s measures (core/reading/measures), never by a page.",
      });
    return {
      // `${Math.round(ml)} mL`
      TemplateLiteral(node) {
        node.quasis.forEach((q, i) => {
          if ((i > 0 && UNIT.test(q.value.cooked)) || SAID.test(q.value.cooked)) told(q);
        });
      },
      // {Math.round(ml)} mL
      JSXText(node) {
        const { children } = node.parent;
        const before = children?.[children.indexOf(node) - 1];
        if ((before?.type === "JSXExpressionContainer" && UNIT.test(node.value)) || SAID.test(node.value))
          told(node);
      },
      Literal(node) {
        if (typeof node.value === "string" && SAID.test(node.value)) told(node);
      },
    };
  },
};

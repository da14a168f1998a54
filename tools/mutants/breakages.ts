/** Small breakages of a source text, by its syntax tree: what a slip of the hand would do. */
import ts from "typescript";

export interface Breakage {
  readonly file: string;
  readonly at: number;
  readonly length: number;
  readonly to: string;
  readonly line: number;
  readonly words: string;
  /** A row, a life or a threshold: always tried. */
  readonly data: boolean;
}

const SWAPS: Readonly<Partial<Record<ts.SyntaxKind, readonly string[]>>> = {
  [ts.SyntaxKind.GreaterThanEqualsToken]: [">", "<"],
  [ts.SyntaxKind.LessThanEqualsToken]: ["<", ">"],
  [ts.SyntaxKind.GreaterThanToken]: [">=", "<"],
  [ts.SyntaxKind.LessThanToken]: ["<=", ">"],
  [ts.SyntaxKind.AmpersandAmpersandToken]: ["||"],
  [ts.SyntaxKind.BarBarToken]: ["&&"],
  [ts.SyntaxKind.EqualsEqualsEqualsToken]: ["!=="],
  [ts.SyntaxKind.ExclamationEqualsEqualsToken]: ["==="],
  [ts.SyntaxKind.PlusToken]: ["-"],
  [ts.SyntaxKind.MinusToken]: ["+"],
  [ts.SyntaxKind.AsteriskToken]: ["/"],
  [ts.SyntaxKind.SlashToken]: ["*"],
};

/** A figure a tenth larger; nought becomes one, one becomes two. */
function moved(text: string): string {
  const n = Number(text.replace(/_/g, ""));
  if (n === 0) return "1";
  if (Number.isInteger(n) && n < 10) return String(n + 1);
  return String(Number((n * 1.1).toPrecision(6)));
}

/** Names in whose values every figure is a row, a life or a threshold. */
const TABLES = /^[A-Z][A-Z0-9_]+$/;

function inTable(node: ts.Node): boolean {
  for (let n: ts.Node | undefined = node; n; n = n.parent)
    if (ts.isVariableDeclaration(n) && ts.isIdentifier(n.name) && TABLES.test(n.name.text)) return true;
  return false;
}

/** Text that is only told to people is no judgement: words, bases, fault messages. */
function isProse(node: ts.Node): boolean {
  for (let n: ts.Node | undefined = node; n; n = n.parent) {
    if (
      ts.isPropertyAssignment(n) &&
      /^(?:words|says|todo|basis|message|because|label)$/.test(n.name.getText())
    )
      return true;
    if (
      ts.isTypeNode(n) ||
      ts.isImportDeclaration(n) ||
      ts.isInterfaceDeclaration(n) ||
      ts.isTypeAliasDeclaration(n)
    )
      return true;
  }
  return false;
}

/** Every breakage of a file, in order. */
export function breakagesOf(file: string, text: string): Breakage[] {
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.ES2022, true);
  const out: Breakage[] = [];
  const put = (node: ts.Node, to: string): void => {
    const at = node.getStart(source);
    const was = text.slice(at, node.end);
    const { line } = source.getLineAndCharacterOfPosition(at);
    out.push({
      file,
      at,
      length: node.end - at,
      to,
      line: line + 1,
      words: `${was} → ${to}`,
      data: inTable(node),
    });
  };
  const visit = (node: ts.Node): void => {
    if (isProse(node)) return;
    if (ts.isNumericLiteral(node)) put(node, moved(node.text));
    else if (node.kind === ts.SyntaxKind.TrueKeyword) put(node, "false");
    else if (node.kind === ts.SyntaxKind.FalseKeyword) put(node, "true");
    else if (ts.isBinaryExpression(node))
      for (const to of SWAPS[node.operatorToken.kind] ?? []) put(node.operatorToken, to);
    else if (ts.isPrefixUnaryExpression(node) && node.operator === ts.SyntaxKind.ExclamationToken)
      put(node, node.operand.getText(source));
    else if (ts.isConditionalExpression(node)) put(node.condition, `!(${node.condition.getText(source)})`);
    else if (ts.isIfStatement(node)) put(node.expression, `!(${node.expression.getText(source)})`);
    ts.forEachChild(node, visit);
  };
  visit(source);
  return out;
}

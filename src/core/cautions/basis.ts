import { RULE_GROUPS } from "./rules";

/** Every rule with what it rests on, as the tables of docs/cautions.md. */
export function basisTable(): string {
  return RULE_GROUPS.map(
    ([group, rules]) =>
      `## ${group}\n\n| rule | basis |\n|---|---|\n${rules.map((r) => `| \`${r.id}\` | ${r.basis} |`).join("\n")}\n`,
  ).join("\n");
}

/**
 * The order of the test files on a machine that has never run them: what waits for programs and browsers first, so that the reckoning, which only
 * wants the processor, fills in behind it and no long file is left to run alone at the end.
 */
import Sequencer from "@jest/test-sequencer";

const FLOORS = [
  /command\/(?:start|torture)/,
  /browser\/(?:views|bench|controls|put-right|faults|life)/,
  /browser\//,
  /command\//,
  /tests\/store\/(?:lives|journal)/,
  /tests\/store\//,
];
function floorOf(path) {
  const at = FLOORS.findIndex((f) => f.test(path));
  return at < 0 ? FLOORS.length : at;
}

export default class HeaviestFirst extends Sequencer {
  sort(tests) {
    const usual = super.sort(tests);
    return [...usual].sort((a, b) => floorOf(a.path) - floorOf(b.path));
  }
}

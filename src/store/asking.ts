import { AsyncLocalStorage } from "node:async_hooks";
import type { ByDevice } from "../core/envelope";
import type { Role } from "./devices";

/** Who asks for what is being done: a device of the house and its role; nothing on the machine itself. */
export interface Asking {
  readonly role: Role;
  readonly by: ByDevice | undefined;
}
const now = new AsyncLocalStorage<Asking>();

/** Does some work on somebody's behalf, however deep in it that is asked. */
export const askedBy = <T>(who: Asking, work: () => T): T => now.run(who, work);
export const whoAsks = (): Asking => now.getStore() ?? { role: "keeper", by: undefined };

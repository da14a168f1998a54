import { headers } from "next/headers";
import type { Role } from "@/store/devices";

/** Who asks for a page: the machine itself, or a device that the front let through. What the headers say was put there by the front; see proxy.ts. */
export interface Asker {
  readonly role: Role;
  /** What the device is called; nothing on the machine itself. */
  readonly device: string | undefined;
  readonly id: string | undefined;
}

export async function asker(): Promise<Asker> {
  const h = await headers();
  const device = h.get("x-jolly-device");
  return {
    role: h.get("x-jolly-role") === "hand" ? "hand" : "keeper",
    device: device === null ? undefined : decodeURIComponent(device),
    id: h.get("x-jolly-device-id") ?? undefined,
  };
}

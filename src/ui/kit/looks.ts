/** How the room around the drawings looks: as the device wishes, or by hand. */
export const LOOKS = ["device", "day", "night"] as const;
export type LookOf = (typeof LOOKS)[number];

/** What a cookie says; anything else leaves it to the device. */
export const lookOf = (cookie: string | undefined): LookOf => LOOKS.find((l) => l === cookie) ?? "device";

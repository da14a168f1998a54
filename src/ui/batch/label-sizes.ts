/** Label sizes offered, mm; a module of its own, since pages on the server and the sheet in the browser both read it. */
export const LABEL_SIZES = ["80x50", "100x60", "70x36", "50x30"] as const;

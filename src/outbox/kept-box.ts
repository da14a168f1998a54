import { type DBSchema, type IDBPDatabase, openDB } from "idb";
import type { Box, Letter } from "./letter";

interface Letters extends DBSchema {
  letter: { key: number; value: Letter; indexes: { key: string } };
}

/** The database of a device's letters; it belongs to the address in its bar. */
const NAME = "jolly-outbox";

/** Letters in the browser's own database. Throws where the browser has none, or it is full. */
export async function keptBox(): Promise<Box> {
  const db: IDBPDatabase<Letters> = await openDB<Letters>(NAME, 1, {
    upgrade: (d) => {
      d.createObjectStore("letter", { keyPath: "n", autoIncrement: true }).createIndex("key", "key", {
        unique: true,
      });
    },
    // Another page wants a newer one: it is not held up.
    blocking: () => db.close(),
  });
  return {
    all: () => db.getAll("letter"),
    put: async (letter) => {
      // One transaction: of two pages that press the same, the second finds the first one's.
      const tx = db.transaction("letter", "readwrite", { durability: "strict" });
      const same = await tx.store.index("key").get(letter.key);
      if (same) return same;
      const fresh = { ...letter, state: "waiting" } as Letter;
      const n = await tx.store.add(fresh);
      await tx.done;
      return { ...fresh, n };
    },
    set: async (letter) => void (await db.put("letter", letter)),
    remove: (n) => db.delete("letter", n),
  };
}

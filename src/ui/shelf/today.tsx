"use client";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import { Check } from "lucide-react";
import { send } from "../kit/send";

export interface TodayItem {
  readonly sort: string;
  readonly words: string;
  readonly matters: boolean;
  readonly jars: readonly {
    readonly id: string;
    readonly code: string;
    readonly why: string;
    readonly overdue: boolean;
  }[];
}

const COUNT = ["", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten"];

/** What wants doing today, in one list that can be done with one hand. */
export function Today({ items }: { items: readonly TodayItem[] }) {
  const router = useRouter();
  const [done, setDone] = useState<ReadonlySet<string>>(new Set());
  const [wrong, setWrong] = useState<Readonly<Record<string, string>>>({});
  // One key for one touch of one jar, however often it is tapped.
  const keys = useRef(new Map<string, string>());
  const touch = async (sort: string, ids: readonly string[]): Promise<void> => {
    setDone((was) => new Set([...was, ...ids.map((id) => `${sort}-${id}`)]));
    let failed = "";
    for (const id of ids) {
      const name = `${sort}-${id}`;
      const key = keys.current.get(name) ?? crypto.randomUUID();
      keys.current.set(name, key);
      const sent = await send(`/api/batches/${id}`, { key, type: "touched", body: { what: sort } });
      if (!sent.ok) {
        failed = sent.fault.message;
        setDone((was) => new Set([...was].filter((x) => x !== name)));
      }
    }
    setWrong((was) => ({ ...was, [sort]: failed }));
    router.refresh();
  };
  if (items.length === 0)
    return <p className="py-4">Nothing wants doing today. The jars work on by themselves.</p>;
  return (
    <ul>
      {items.map((item) => {
        const open = item.jars.filter((j) => !done.has(`${item.sort}-${j.id}`));
        const many = item.jars.length > 1;
        const strain = item.sort === "strain";
        return (
          <li key={item.sort} className="border-b border-rule py-3 flex gap-4">
            {strain ? (
              <span className="w-10 h-10 shrink-0 grid place-items-center" aria-hidden="true">
                <svg width="30" height="30">
                  <path
                    d="M3 8h24l-9 11v8h-6v-8z"
                    fill="none"
                    stroke={item.matters ? "#9a2f1b" : "#1c3d94"}
                    strokeWidth="2.2"
                    strokeLinejoin="round"
                  />
                </svg>
              </span>
            ) : (
              <button
                type="button"
                className={`w-11 h-11 shrink-0 border-2 bg-paper grid place-items-center ${item.matters ? "border-rust" : "border-cobalt"}`}
                disabled={open.length === 0}
                aria-label={`${item.words}: ${open.map((j) => j.code).join(", ")}, done`}
                onClick={() =>
                  void touch(
                    item.sort,
                    open.map((j) => j.id),
                  )
                }
              >
                {open.length === 0 && <Check size={26} className="text-celadon-deep" aria-hidden="true" />}
              </button>
            )}
            <div className="min-w-0">
              <p className={`font-bold ${item.matters ? "text-rust" : ""}`}>
                {item.words}
                {many ? ` ${COUNT[item.jars.length] ?? item.jars.length}` : ""}
              </p>
              {strain || item.sort === "top-up" ? (
                <ul>
                  {item.jars.map((j) => (
                    <li key={j.id}>
                      <Link
                        href={strain ? `/batch/${j.id}/strain` : `/batch/${j.id}`}
                        className="font-semibold"
                      >
                        {j.code}
                      </Link>
                      <span className={j.overdue ? "text-rust" : "text-ash"}>, {j.why}</span>
                    </li>
                  ))}
                </ul>
              ) : (
                <p className="text-ash">
                  {item.jars.map((j, i) => (
                    <span key={j.id}>
                      {i > 0 && ", "}
                      <Link href={`/batch/${j.id}`} className="text-ash">
                        {j.code}
                      </Link>
                    </span>
                  ))}
                  {many && open.length > 0 && (
                    <>
                      {"  "}
                      <button
                        type="button"
                        className="plain ml-2"
                        onClick={() =>
                          void touch(
                            item.sort,
                            open.map((j) => j.id),
                          )
                        }
                      >
                        {item.jars.length === 2 ? "both done" : "all done"}
                      </button>
                    </>
                  )}
                </p>
              )}
              {wrong[item.sort] && (
                <p role="alert" className="wrong">
                  {wrong[item.sort]}
                </p>
              )}
            </div>
          </li>
        );
      })}
    </ul>
  );
}

"use client";
import { useEffect, useState } from "react";

const LAST = "jolly-came-back";
/** A page is asked for again by itself at most this often, ms: one that cannot be made is not asked for without end. */
const AT_MOST = 20_000;

/** Whether this page came back by itself a moment ago already. */
function justNow(): boolean {
  const last = Number(sessionStorage.getItem(LAST) ?? 0);
  return Date.now() - last < AT_MOST;
}

/** Asks every so often whether the journal answers. @returns whether it does, once that is known */
function useJournal(back: () => void): boolean | undefined {
  const [there, setThere] = useState<boolean | undefined>();
  useEffect(() => {
    const ask = async (): Promise<void> => {
      const ok = await fetch("/api/health", { cache: "no-store" }).then(
        (r) => r.ok,
        () => false,
      );
      setThere(ok);
      if (!ok || justNow()) return;
      sessionStorage.setItem(LAST, String(Date.now()));
      back();
    };
    void ask();
    const asking = setInterval(() => void ask(), 1500);
    return () => clearInterval(asking);
  }, [back]);
  return there;
}

const again = (): void => location.reload();

/** What is said when a page could not be made: the journal is away and is waited for, or something is wrong with this one page. */
export function NotMade() {
  const there = useJournal(again);
  return (
    <div className="pt-10 max-w-md" role="alert">
      <h1>{there ? "This page could not be made" : "The journal does not answer"}</h1>
      <p className="py-3">
        Nothing is lost: what was written stays written, and what you were typing is kept in this browser.{" "}
        {there
          ? "If it stays so, ./jolly doctor says what is wrong."
          : "This page comes back by itself as soon as the journal does."}
      </p>
      <button type="button" className="slab" onClick={again}>
        Try again
      </button>
    </div>
  );
}

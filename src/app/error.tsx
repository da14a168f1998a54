"use client";

export default function Failed({ reset }: { error: Error; reset: () => void }) {
  return (
    <div className="pt-10 max-w-md" role="alert">
      <h1>The journal does not answer</h1>
      <p className="py-3">
        Nothing is lost: what was written stays written, and what you were typing is kept in this browser. It
        may be starting up again.
      </p>
      <button type="button" className="slab" onClick={reset}>
        Try again
      </button>
    </div>
  );
}

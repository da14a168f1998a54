"use client";
import "./globals.css";

/** When even the household cannot be read: the journal is away, as a whole. */
export default function AllFailed({ reset }: { error: Error; reset: () => void }) {
  return (
    <html lang="en">
      <head>
        <title>Jolly Crock</title>
      </head>
      <body>
        <main className="p-8 max-w-md" role="alert">
          <h1>The journal does not answer</h1>
          <p className="py-3">
            Nothing is lost: what was written stays written, and what you were typing is kept in this browser.
            It may be starting up again.
          </p>
          <button
            type="button"
            className="slab"
            onClick={() => {
              reset();
              location.reload();
            }}
          >
            Try again
          </button>
        </main>
      </body>
    </html>
  );
}

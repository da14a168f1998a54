"use client";
import { NotMade } from "@/ui/kit/away";
import "./globals.css";

/** When even the household cannot be read: the journal is away, as a whole. */
export default function AllFailed() {
  return (
    <html lang="en">
      <head>
        <title>Jolly Crock</title>
      </head>
      <body>
        <main className="p-8">
          <NotMade />
        </main>
      </body>
    </html>
  );
}

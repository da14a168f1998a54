"use client";
import Link from "next/link";
import { usePathname } from "next/navigation";

const VIEWS = [
  ["/", "Shelf"],
  ["/bench", "Bench"],
  ["/cellar", "Cellar"],
  ["/formulary", "Formulary"],
  ["/stores", "Stores"],
] as const;

/** The views along the top; the one you stand in is underscored. */
export function Nav() {
  const path = usePathname();
  return (
    <nav aria-label="Views" className="flex items-end gap-1 sm:gap-4 self-stretch">
      {VIEWS.map(([href, name]) => {
        const here = href === "/" ? path === "/" || path.startsWith("/batch") : path.startsWith(href);
        return (
          <Link
            key={href}
            href={href}
            aria-current={here ? "page" : undefined}
            className={`px-1.5 no-underline inline-flex items-end min-h-11 pb-3 border-b-[6px] ${here ? "text-cobalt font-bold border-cobalt" : "text-iron hover:text-cobalt border-transparent"}`}
          >
            {name}
          </Link>
        );
      })}
    </nav>
  );
}

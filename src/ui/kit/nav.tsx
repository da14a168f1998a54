"use client";
import Link from "./link";
import { usePathname } from "next/navigation";

const VIEWS = [
  ["/", "Shelf"],
  ["/bench", "Bench"],
  ["/cellar", "Cellar"],
  ["/season", "Season"],
  ["/formulary", "Formulary"],
  ["/stores", "Stores"],
] as const;

/** The views along the top, on a telephone at its foot; the one you stand in is underscored. */
export function Nav() {
  const path = usePathname();
  return (
    <nav
      aria-label="Views"
      className="views flex flex-wrap items-stretch self-stretch max-md:justify-between md:gap-x-3 lg:gap-x-4"
    >
      {VIEWS.map(([href, name]) => {
        const here = href === "/" ? path === "/" || path.startsWith("/batch") : path.startsWith(href);
        return (
          <Link
            key={href}
            href={href}
            aria-current={here ? "page" : undefined}
            className={`px-1.5 no-underline inline-flex items-center justify-center min-h-14 min-w-11 max-md:grow max-md:text-[0.9375rem] border-y-[6px] border-t-transparent ${here ? "text-cobalt font-bold border-b-cobalt" : "text-iron hover:text-cobalt border-b-transparent"}`}
          >
            {name}
          </Link>
        );
      })}
    </nav>
  );
}

import "@fontsource-variable/atkinson-hyperlegible-next/index.css";
import "@fontsource/stardos-stencil/700.css";
import "./globals.css";
import type { Metadata, Viewport } from "next";
import { House } from "lucide-react";
import { cookies } from "next/headers";
import Link from "@/ui/kit/link";
import { NOT_ADVICE } from "@/core/cautions/rules";
import { SubstanceDefs } from "@/ui/figures/substance";
import { KeptLine } from "@/ui/kit/kept-line";
import { Keys } from "@/ui/kit/keys";
import { KnowsProvider } from "@/ui/kit/knows";
import { Look } from "@/ui/kit/look";
import { lookOf } from "@/ui/kit/looks";
import { Nav } from "@/ui/kit/nav";
import { KitchenLine } from "@/ui/kitchen/line";
import { KitchenProvider } from "@/ui/kitchen/kitchen";
import { Live } from "@/ui/kit/live";
import { Shell } from "@/ui/kit/shell";
import { UnitsProvider, UnitsSwitch } from "@/ui/kit/units";
import { TodayProvider } from "@/ui/kit/when";
import { db } from "@/store/db";
import { isFrozen } from "@/store/clock";
import { hasInstruments } from "@/instruments/house";
import { kitchen } from "@/store/kitchen";
import { viewNow } from "@/store/live";
import { frame } from "./frame";

export const metadata: Metadata = {
  title: { default: "Jolly Crock", template: "%s · Jolly Crock" },
  description: "Putting up remedies at home: reckoning, care and honest keeping.",
};
export const viewport: Viewport = { width: "device-width", initialScale: 1, colorScheme: "light dark" };
export const dynamic = "force-dynamic";

export default async function Layout({ children }: { children: React.ReactNode }) {
  // Before anything is asked of the journal: what is written from here on is told to the page.
  const view = await viewNow(db());
  const { home, display, now, today } = await frame();
  const look = lookOf((await cookies()).get("jolly-look")?.value);
  const clocks = await kitchen(db());
  return (
    <html lang="en" data-look={look === "device" ? undefined : look}>
      <body>
        <SubstanceDefs />
        <UnitsProvider initial={display} household={home.units} degrees={home.degrees} lengths={home.lengths}>
          <KnowsProvider knows={home.knows}>
            <TodayProvider today={today}>
              <KitchenProvider now={now} frozen={isFrozen()} clocks={clocks} instruments={hasInstruments()}>
                <Live view={view} />
                <Shell />
                <a
                  href="#main"
                  className="sr-only focus:not-sr-only focus:absolute focus:bg-paper focus:p-3 focus:z-10"
                >
                  Skip to the page
                </a>
                <header className="no-print flex max-[19.99rem]:flex-wrap items-center gap-x-1 sm:gap-x-3 lg:gap-x-6 border-b-[3px] border-cobalt px-4 sm:px-8">
                  <Link
                    href="/"
                    className="stencil inline-flex items-center min-h-14 text-[1.125rem] sm:text-[1.375rem] no-underline uppercase whitespace-nowrap sm:mr-2"
                  >
                    Jolly Crock
                  </Link>
                  <Nav />
                  <span className="ml-auto flex items-center sm:gap-2 min-w-0">
                    <Keys />
                    <Link
                      href="/household"
                      aria-label={home.name}
                      className="quiet inline-flex items-center justify-center min-h-11 min-w-11 shrink"
                    >
                      <House size={20} aria-hidden="true" className="xl:hidden" />
                      <span className="max-xl:hidden truncate max-w-[16rem]">{home.name}</span>
                    </Link>
                    <UnitsSwitch />
                  </span>
                </header>
                <KeptLine zone={home.zone} />
                <KitchenLine />
                <main id="main" className="px-4 sm:px-8 pb-6">
                  {children}
                </main>
                <footer className="no-print px-4 sm:px-8 pb-6 text-sm text-ash">
                  {NOT_ADVICE} <Look at={look} />
                </footer>
              </KitchenProvider>
            </TodayProvider>
          </KnowsProvider>
        </UnitsProvider>
      </body>
    </html>
  );
}

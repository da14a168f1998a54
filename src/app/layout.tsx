import "@fontsource-variable/atkinson-hyperlegible-next/index.css";
import "@fontsource/stardos-stencil/700.css";
import "./globals.css";
import type { Metadata, Viewport } from "next";
import Link from "next/link";
import { NOT_ADVICE } from "@/core/cautions/rules";
import { SubstanceDefs } from "@/ui/figures/substance";
import { StandIn } from "@/ui/kit/away";
import { Keys } from "@/ui/kit/keys";
import { KnowsProvider } from "@/ui/kit/knows";
import { Nav } from "@/ui/kit/nav";
import { KitchenLine } from "@/ui/kitchen/line";
import { KitchenProvider } from "@/ui/kitchen/kitchen";
import { UnitsProvider, UnitsSwitch } from "@/ui/kit/units";
import { TodayProvider } from "@/ui/kit/when";
import { db } from "@/store/db";
import { isFrozen } from "@/store/clock";
import { hasInstruments } from "@/instruments/house";
import { kitchen } from "@/store/kitchen";
import { frame } from "./frame";

export const metadata: Metadata = {
  title: { default: "Jolly Crock", template: "%s · Jolly Crock" },
  description: "Putting up remedies at home: reckoning, care and honest keeping.",
};
export const viewport: Viewport = { width: "device-width", initialScale: 1, themeColor: "#d9d6cf" };
export const dynamic = "force-dynamic";

export default async function Layout({ children }: { children: React.ReactNode }) {
  const { home, display, now, today } = await frame();
  const clocks = await kitchen(db());
  return (
    <html lang="en">
      <body>
        <SubstanceDefs />
        <StandIn />
        <UnitsProvider initial={display} household={home.units} degrees={home.degrees} lengths={home.lengths}>
          <KnowsProvider knows={home.knows}>
            <TodayProvider today={today}>
              <KitchenProvider now={now} frozen={isFrozen()} clocks={clocks} instruments={hasInstruments()}>
                <a
                  href="#main"
                  className="sr-only focus:not-sr-only focus:absolute focus:bg-paper focus:p-3 focus:z-10"
                >
                  Skip to the page
                </a>
                <header className="no-print flex flex-wrap items-center gap-x-6 border-b-[3px] border-cobalt px-4 sm:px-8 pt-2">
                  <Link href="/" className="stencil text-[1.375rem] no-underline uppercase mr-2">
                    Jolly Crock
                  </Link>
                  <Nav />
                  <Keys />
                  <span className="ml-auto flex items-baseline gap-3 sm:gap-5 py-2 min-w-0 max-w-full">
                    <Link href="/household" className="quiet leading-8 min-w-0 truncate">
                      {home.name}
                    </Link>
                    <UnitsSwitch />
                  </span>
                </header>
                <KitchenLine />
                <main id="main" className="px-4 sm:px-8 pb-6">
                  {children}
                </main>
                <footer className="no-print px-4 sm:px-8 pb-6 text-sm text-ash">{NOT_ADVICE}</footer>
              </KitchenProvider>
            </TodayProvider>
          </KnowsProvider>
        </UnitsProvider>
      </body>
    </html>
  );
}

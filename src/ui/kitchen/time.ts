const CLOCKS = new Map<string, Intl.DateTimeFormat>();

/** What the household's clock shows at an instant, ms: `13:21`. */
export function clockTime(ms: number, zone: string): string {
  let f = CLOCKS.get(zone);
  if (!f) {
    f = new Intl.DateTimeFormat("en-GB", {
      timeZone: zone,
      hour: "2-digit",
      minute: "2-digit",
      hourCycle: "h23",
    });
    CLOCKS.set(zone, f);
  }
  return f.format(ms);
}

/** `35 minutes`, `1 h 50`, `2 days`. */
export function spanWords(minutes: number): string {
  const m = Math.max(1, Math.round(minutes));
  if (m < 60) return `${m} min`;
  if (m < 36 * 60) {
    const [h, rest] = [Math.floor(m / 60), Math.round((m % 60) / 5) * 5];
    if (rest === 60) return `${h + 1} h`;
    return rest === 0 ? `${h} h` : `${h} h ${rest}`;
  }
  return `${Math.round(m / 1440)} days`;
}

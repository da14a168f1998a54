/** Runs once when the server starts. */
export async function register(): Promise<void> {
  if (process.env["NEXT_RUNTIME"] !== "nodejs") return;
  const { refuseTrace } = await import("./instrumentation-node");
  refuseTrace();
  if (!process.env["DATABASE_URL"]) return;
  const { openInstruments } = await import("./instruments/house");
  openInstruments();
  const { sendMornings } = await import("./app/morning");
  sendMornings();
}

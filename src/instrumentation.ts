/** Runs once when the server starts. */
export async function register(): Promise<void> {
  if (process.env["NEXT_RUNTIME"] !== "nodejs") return;
  const { refuseTrace, speakIntoTheVoid } = await import("./instrumentation-node");
  refuseTrace();
  speakIntoTheVoid();
  if (!process.env["DATABASE_URL"]) return;
  const { mailBoxOf, openInstruments } = await import("./instruments/house");
  openInstruments();
  // Where no post goes out, nothing of the morning's word is loaded.
  if (!mailBoxOf()) return;
  const { sendMornings } = await import("./app/morning");
  sendMornings();
}

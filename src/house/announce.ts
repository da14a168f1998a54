import multicastDns from "multicast-dns";

/** Answers on the house's network to a `.local` name. Where the network does not let it, the addresses still work. @returns how it is ended */
export function announce(name: string, addresses: readonly string[]): () => void {
  const mdns = multicastDns();
  mdns.on("error", () => undefined);
  const records = addresses.map((data) => ({
    name,
    type: data.includes(":") ? ("AAAA" as const) : ("A" as const),
    ttl: 120,
    data,
  }));
  mdns.on("query", (q: { questions: { name: string; type: string }[] }) => {
    const asked = q.questions.filter((x) => x.name.toLowerCase() === name);
    const answers = records.filter((r) => asked.some((x) => x.type === r.type || x.type === "ANY"));
    if (answers.length > 0) mdns.respond({ answers });
  });
  return () => mdns.destroy();
}

export default function Loading() {
  return <p className="pt-10 text-ash" role="status">Fetching from the shelf…</p>;
}

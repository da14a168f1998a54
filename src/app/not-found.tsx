import Link from "@/ui/kit/link";

export default function NotFound() {
  return (
    <div className="pt-10 max-w-md">
      <h1>Nothing stands here</h1>
      <p className="pt-3">
        That page or batch is not in this household. <Link href="/">Back to the Shelf.</Link>
      </p>
    </div>
  );
}

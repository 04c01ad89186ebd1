import Link from "@/ui/Link";

export default function NotFound() {
  return (
    <main className="mx-auto max-w-xl px-6 py-24">
      <h1>Nothing hangs on this label</h1>
      <p className="mt-4 text-lg">
        The address names no record of this garden. It may have been undone, or belong to another database.
      </p>
      <p className="mt-6 flex gap-3">
        <Link href="/" className="leaf leaf-strong">
          To Today
        </Link>
        <Link href="/shed/history" className="leaf">
          Look in the history
        </Link>
      </p>
    </main>
  );
}

"use client";

export default function ErrorPage({ error, reset }: { error: Error & { digest?: string }; reset: () => void }) {
  return (
    <main className="mx-auto max-w-xl px-6 py-24">
      <h1>This page could not be drawn</h1>
      <p className="mt-4 text-lg">
        Your records are safe: drawing a page changes nothing. Try again; if it stays so, make a backup in the Shed and
        look at the program&apos;s output{error.digest ? ` for ${error.digest}` : ""}.
      </p>
      <p className="mt-6 flex gap-3">
        <button type="button" className="leaf leaf-strong" onClick={reset}>
          Try again
        </button>
        <a href="/" className="leaf">
          To Today
        </a>
      </p>
    </main>
  );
}

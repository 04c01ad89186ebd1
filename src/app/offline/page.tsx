import { Reload } from "@/ui/Reload";

export const metadata = { title: "No signal" };

/** What stands for every page that is not kept on the device while the server does not answer. */
export default function Page() {
  return (
    <main className="mx-auto max-w-prose px-4 py-10 sm:px-7">
      <h1 className="text-2xl">The server does not answer</h1>
      <p className="mt-3">
        This page is not kept on the device. Today and the round are, as they were last seen, and what you record there
        is kept and sent when the server is back.
      </p>
      <p className="mt-5 flex flex-wrap gap-3">
        {/* Whole pages: without the server nothing else can be had. */}
        <a href="/" className="leaf leaf-strong">
          Today
        </a>
        <a href="/round" className="leaf">
          The round
        </a>
        <Reload>Try again</Reload>
      </p>
    </main>
  );
}

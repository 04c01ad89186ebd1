import { type ScaleFault, scaleLines } from "@/core/seed/scale";
import { answering, words } from "../../answer";

const FAULTS: readonly string[] = ["none", "drift", "dropouts", "rubbish", "stall"] satisfies ScaleFault[];
const isFault = (text: string): text is ScaleFault => FAULTS.includes(text);

/** Lines a second, as a serial scale sends them, and how many before it is switched off. */
const EVERY_MS = 120;
const LINES = 40;

/** The simulated scale with something on it: its lines, one after another, as a scale on a serial line sends them. */
export const GET = (request: Request) =>
  answering(() => {
    const asked = new URL(request.url).searchParams;
    const grams = Number(asked.get("grams"));
    const fault = asked.get("fault") ?? "none";
    const seed = Number(asked.get("seed") ?? 1);
    if (!(grams > 0 && grams <= 5000))
      return words(400, "Say how many grams lie on the scale, above 0 and up to 5000.");
    if (!isFault(fault)) return words(400, `The simulated scale knows these faults: ${FAULTS.join(", ")}.`);
    if (!Number.isSafeInteger(seed)) return words(400, "The seed is a whole number.");
    const lines = scaleLines(grams, seed, LINES, fault);
    const encoder = new TextEncoder();
    let timer: ReturnType<typeof setInterval> | undefined;
    const stream = new ReadableStream({
      start(controller) {
        timer = setInterval(() => {
          const line = lines.shift();
          if (line === undefined) {
            clearInterval(timer);
            controller.close();
          } else controller.enqueue(encoder.encode(`${line}\r\n`));
        }, EVERY_MS);
      },
      cancel() {
        clearInterval(timer);
      },
    });
    return new Response(stream, {
      headers: { "content-type": "text/plain; charset=utf-8", "cache-control": "no-store" },
    });
  });

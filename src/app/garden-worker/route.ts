import { readFile } from "node:fs/promises";
import { join } from "node:path";

// The build is named only once it is made.
export const dynamic = "force-dynamic";

/** Each after those that it needs. */
const MODULES = ["core", "routing", "strategies", "precaching"];
const read = (path: string) => readFile(join(process.cwd(), path), "utf8");

/** The script that keeps pages for the garden on the device (worker.js), with what it is built on, of this build. */
const script = async (): Promise<string> => {
  const [version, own, ...modules] = await Promise.all([
    read(".next/BUILD_ID"),
    read("src/app/garden-worker/worker.js"),
    ...MODULES.map((name) => read(`node_modules/workbox-${name}/build/workbox-${name}.prod.js`)),
  ]);
  // The maps of the modules are not served.
  const plain = modules.map((text) => text.replace(/^\/\/# sourceMappingURL=.*$/m, ""));
  return `${plain.join("\n")}\nconst VERSION = ${JSON.stringify(version!.trim())};\n${own}`;
};

export async function GET(): Promise<Response> {
  return new Response(await script(), {
    headers: {
      "content-type": "text/javascript; charset=utf-8",
      "cache-control": "no-cache",
      "service-worker-allowed": "/",
    },
  });
}

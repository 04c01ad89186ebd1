import { readdir, readFile } from "node:fs/promises";
import { join } from "node:path";

// The build is named only once it is made.
export const dynamic = "force-dynamic";

/** Each after those that it needs. */
const MODULES = ["core", "routing", "strategies", "precaching"];
const read = (path: string) => readFile(join(process.cwd(), path), "utf8");

/** Everything that the pages of this build are drawn with, by its address. */
async function partsOfBuild(): Promise<string[]> {
  const files = await readdir(join(process.cwd(), ".next/static"), { recursive: true });
  return files.filter((file) => /\.(js|css|woff2)$/.test(file)).map((file) => `/_next/static/${file}`);
}

/** The script that keeps pages for the garden on the device (worker.js), with what it is built on, of this build. */
const script = async (): Promise<string> => {
  const parts = await partsOfBuild();
  const [version, own, ...modules] = await Promise.all([
    read(".next/BUILD_ID"),
    read("src/app/garden-worker/worker.js"),
    ...MODULES.map((name) => read(`node_modules/workbox-${name}/build/workbox-${name}.prod.js`)),
  ]);
  // The maps of the modules are not served.
  const plain = modules.map((text) => text.replace(/^\/\/# sourceMappingURL=.*$/m, ""));
  return `${plain.join("\n")}\nconst VERSION = ${JSON.stringify(version!.trim())};\nconst PARTS_OF_BUILD = ${JSON.stringify(parts)};\n${own}`;
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

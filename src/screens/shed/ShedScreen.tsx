import { cookies } from "next/headers";
import { figure } from "@/core/writing/numbers";
import Link from "@/ui/Link";
import { ThemeChoice } from "@/ui/ThemeChoice";
import type { Shed } from "@/views/shed";
import { GardenForm } from "../common/GardenForm";
import { Page } from "../common/Page";
import { Climate } from "./Climate";
import { TheGarden } from "./TheGarden";

export async function ShedScreen({ garden, band, path, counts, climate }: Shed) {
  const theme = (await cookies()).get("theme")?.value ?? "paper";
  return (
    <Page
      title="Shed"
      band={band}
      beside={
        <>
          <h2>Light</h2>
          <p className="mb-3 mt-1 text-soft">
            Bright sun has the highest contrast; before dawn spares eyes that are used to the night.
          </p>
          <ThemeChoice theme={theme} />
          <h2 className="mt-8">History</h2>
          <p className="mb-3 mt-1 text-soft">
            Everything ever recorded, newest first; each entry can be undone while nothing rests on it.
          </p>
          <Link href="/shed/history" className="leaf">
            Open the history
          </Link>
          <h2 className="mt-8">Backup</h2>
          <p className="mb-3 mt-1 text-soft">
            The whole garden is one file: <code className="break-all text-ink">{path}</code>. A backup of each day is
            kept beside it by itself, fourteen of them; take a copy to another disk too. Pictures lie in the folder{" "}
            <code className="break-all text-ink">{path}.photos</code>.
          </p>
          <p className="flex flex-wrap gap-2">
            <a href="/api/backup" className="leaf leaf-strong" download>
              Download a backup
            </a>
            <a href="/api/archive" className="leaf" download>
              With all pictures
            </a>
          </p>
          <h2 className="mt-8">Another copy</h2>
          <p className="mb-3 mt-1 text-soft">
            A copy that was written on elsewhere can be brought together with this one.
          </p>
          <Link href="/shed/copies" className="leaf">
            Bring two copies together
          </Link>
          <dl className="rows mt-6 border-y border-rule text-sm">
            {counts.map(({ name, count }) => (
              <div key={name} className="flex justify-between py-1.5">
                <dt className="text-soft">{name}</dt>
                <dd className="font-bold tabular-nums">{figure(count)}</dd>
              </div>
            ))}
          </dl>
        </>
      }
    >
      {garden.version === "" ? (
        <div className="max-w-2xl">
          <h2 className="mb-4 text-2xl">The garden</h2>
          <GardenForm garden={garden} />
        </div>
      ) : (
        <TheGarden garden={garden} />
      )}
      {garden.version !== "" && <Climate climate={climate} />}
    </Page>
  );
}

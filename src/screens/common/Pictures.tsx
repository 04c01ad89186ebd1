"use client";
import { Camera, Images } from "lucide-react";
import { useRouter } from "next/navigation";
import { type ChangeEvent, useEffect, useMemo, useRef, useState } from "react";
import { dayInWords } from "@/core/calendar/day";
import { type Id, nthId } from "@/core/custody/id";
import { plural } from "@/core/units/plural";
import type { Photo } from "@/records/photo/photo";
import { post } from "@/ui/outbox";
import { smallPicture } from "@/ui/picture";
import { newPress } from "@/ui/press";
import { Sheet } from "@/ui/Sheet";
import { useOutbox } from "@/ui/useOutbox";
import { CommandButton, CommandForm } from "./command";

type Of = { plantId: Id } | { offkindId: Id };
type Props = {
  of: Of;
  photos: Photo[];
  /** What they are of. */
  name: string;
};

const at = (id: Id, small = false) => `/api/photos/${id}${small ? "?small" : ""}`;
const titleOf = ({ takenOn, words }: Pick<Photo, "takenOn" | "words">, name: string) =>
  `${name} on ${dayInWords(takenOn, "long")}${words ? `: ${words}` : ""}`;

const SIZES = {
  small: "size-24 object-cover",
  beside: "size-44 object-cover",
  whole: "max-h-[70vh] w-full object-contain",
};
type Size = keyof typeof SIZES;

/** One picture; where its file lies with another copy of the garden, that is said in its place. */
function Picture({ photo, name, size = "small" }: { photo: Photo; name: string; size?: Size }) {
  const [missing, setMissing] = useState(false);
  const seen = useRef<HTMLImageElement>(null);
  // It may have failed before the page was ready to hear it.
  useEffect(() => {
    if (seen.current?.complete && seen.current.naturalWidth === 0) setMissing(true);
  }, []);
  if (missing)
    return (
      <span className="grid size-24 place-items-center border border-rule p-1 text-center text-xs text-soft">
        lies with another copy
      </span>
    );
  return (
    // biome-ignore lint/performance/noImgElement: kept small on the device already
    <img
      ref={seen}
      src={at(photo.id, size !== "whole")}
      alt={titleOf(photo, name)}
      loading="lazy"
      className={SIZES[size]}
      onError={() => setMissing(true)}
    />
  );
}

/** Pictures in a row, each opened by a press. */
export const PictureRow = ({ photos, name, size }: Omit<Props, "of"> & { size?: Size }) => (
  <span className="mt-2 flex flex-wrap gap-2 empty:hidden">
    {photos.map((photo) => (
      <Sheet
        key={photo.id}
        bare
        trigger={<Picture photo={photo} name={name} size={size} />}
        title={dayInWords(photo.takenOn, "long")}
      >
        {(close) => <Whole photo={photo} name={name} close={close} />}
      </Sheet>
    ))}
  </span>
);

function Whole({ photo, name, close }: { photo: Photo; name: string; close: () => void }) {
  const { id, version, words, takenOn } = photo;
  return (
    <>
      <Picture photo={photo} name={name} size="whole" />
      <p className="mt-2 text-soft">{name}</p>
      <CommandForm
        command="photo.change"
        draft={`photo-${id}`}
        values={{ words, takenOn }}
        hidden={{ id, version }}
        patch
        submit="Save"
        onDone={close}
      >
        {(Field) => (
          <>
            <Field name="words" label="What it shows" />
            <Field name="takenOn" label="Taken on" type="date" />
          </>
        )}
      </CommandForm>
      <div className="mt-8 border-t border-rule pt-4">
        <CommandButton command="photo.remove" input={{ id, version }} onDone={close}>
          Take it away
        </CommandButton>
      </div>
    </>
  );
}

/** Pictures that were taken here and that the server has not yet. */
function useWaiting(of: Of): { id: string; address: string }[] {
  const { waiting } = useOutbox();
  const key = Object.values(of)[0]!;
  const mine = waiting.filter(({ name, input }) => name === "photo.add" && Object.values(Object(input)).includes(key));
  const ids = mine.map(({ id }) => id).join(" ");
  // biome-ignore lint/correctness/useExhaustiveDependencies: the same presses are the same pictures
  const shown = useMemo(
    () =>
      mine.flatMap(({ id, file }) =>
        file ? [{ id, address: URL.createObjectURL(new Blob([file.bytes], { type: file.type })) }] : [],
      ),
    [ids],
  );
  useEffect(
    () => () => {
      for (const { address } of shown) URL.revokeObjectURL(address);
    },
    [shown],
  );
  return shown;
}

/** Pictures of one thing, and more of them, taken here or chosen; kept on the device while the server is away. */
export function Pictures({ of, photos, name }: Props) {
  const router = useRouter();
  const waiting = useWaiting(of);
  const [trouble, setTrouble] = useState("");
  const [busy, setBusy] = useState(0);
  const take = async ({ target }: ChangeEvent<HTMLInputElement>) => {
    const files = [...(target.files ?? [])];
    target.value = "";
    setTrouble("");
    setBusy(files.length);
    let arrived = false;
    for (const file of files) {
      const bytes = await smallPicture(file);
      setBusy((left) => left - 1);
      if (!bytes) {
        setTrouble(`${file.name} is no picture that this browser can show.`);
        continue;
      }
      const press = newPress();
      const sent = { path: at(nthId(press.id, 1)), type: "image/jpeg", bytes };
      const answer = await post("photo.add", { ...of, words: "" }, `Picture of ${name}`, press, sent);
      if (answer?.ok) arrived = true;
      else if (answer) setTrouble(answer.message);
    }
    // With the server away drawing the page anew would turn it.
    if (arrived) router.refresh();
  };
  return (
    <section aria-label="Pictures" className="mt-6">
      <div className="flex flex-wrap items-center gap-2">
        <label className="leaf min-h-12 focus-within:outline-3 focus-within:outline-damson">
          <Camera aria-hidden /> Take a picture
          <input
            type="file"
            accept="image/*"
            capture="environment"
            className="sr-only"
            onChange={(e) => void take(e)}
          />
        </label>
        <label className="leaf leaf-plain min-h-12 focus-within:outline-3 focus-within:outline-damson">
          <Images aria-hidden /> Choose pictures
          <input type="file" accept="image/*" multiple className="sr-only" onChange={(e) => void take(e)} />
        </label>
      </div>
      {busy > 0 && <p role="status">{plural(busy, "picture")} to go</p>}
      {trouble && (
        <p role="alert" className="mt-1 font-semibold text-rust">
          {trouble}
        </p>
      )}
      <PictureRow photos={photos} name={name} />
      {waiting.length > 0 && (
        <div className="mt-2 flex flex-wrap gap-2">
          {waiting.map(({ id, address }) => (
            <figure key={id} className="w-24 text-xs text-soft">
              {/* biome-ignore lint/performance/noImgElement: it lies on this device */}
              <img src={address} alt={`${name}, kept on this device`} className="size-24 object-cover opacity-80" />
              <figcaption>kept on this device</figcaption>
            </figure>
          ))}
        </div>
      )}
    </section>
  );
}

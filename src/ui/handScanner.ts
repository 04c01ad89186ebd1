/** A hand scanner types a code and Enter, faster than any hand. */
const FASTEST_HAND = 60;
const SHORTEST = 6;

/** Tells a hand scanner's typing from a person's, key by key; gives the code at its Enter. */
export function scannerEar(): (key: string, at: number) => string | null {
  let typed = "";
  let last = 0;
  return (key, at) => {
    const fast = at - last <= FASTEST_HAND;
    last = at;
    if (key === "Enter") {
      const code = fast && typed.length >= SHORTEST ? typed : null;
      typed = "";
      return code;
    }
    if (key.length !== 1) return null;
    typed = fast ? typed + key : key;
    return null;
  };
}

/** A hand scanner that ships with the program: types a code into the page as a real one would. */
export function simulateScan(code: string): void {
  for (const key of [...code, "Enter"])
    window.dispatchEvent(new KeyboardEvent("keydown", { key, bubbles: true, cancelable: true }));
}

const SCANNED = "tag-scanned";

/** Offers a scanned code to the page; true where the page took it. */
export const offerTag = (code: string): boolean =>
  !window.dispatchEvent(new CustomEvent(SCANNED, { detail: code, cancelable: true }));

/** Hears tags that are scanned anywhere on the page, for as long as nothing else is told; what it takes is opened by nobody else. */
export function hearTags(take: (code: string) => boolean): () => void {
  const heard = (event: Event) => {
    if (take((event as CustomEvent<string>).detail)) event.preventDefault();
  };
  window.addEventListener(SCANNED, heard);
  return () => window.removeEventListener(SCANNED, heard);
}

/** A message that comes and goes. */
export type Said = {
  message: string;
  tone?: "error" | "warning";
  /** How long it stands, ms. */
  stands?: number;
  action?: { label: string; onClick: () => void };
};

/** What was said and is not shown yet. */
let waiting: Said[] = [];
const hearers = new Set<() => void>();

const set = (now: Said[]) => {
  waiting = now;
  for (const hear of hearers) hear();
};

export const say = (said: Said): void => set([...waiting, said]);

export const notShown = (): Said[] => waiting;

/** Takes what is to be shown. */
export function takeSaid(): Said[] {
  const taken = waiting;
  if (taken.length > 0) set([]);
  return taken;
}

export function hearSaid(hear: () => void): () => void {
  hearers.add(hear);
  return () => hearers.delete(hear);
}

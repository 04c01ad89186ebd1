/** What is known of one card: in which box it lies, and when it was asked last, counted in questions. */
export type Card = { box: number; asked: number };
/** Cards by their key, and how many questions were asked so far. */
export type Progress = { questions: number; cards: Record<string, Card> };

export const NOTHING_YET: Progress = { questions: 0, cards: {} };

/** After how many other questions a card comes back, by box: wrong ones soon, known ones seldom. */
const COMES_BACK = [3, 8, 20, 60, 200];

/**
 * Files an answer: a right one moves the card a box up, a wrong one back to the first.
 * @example answered(NOTHING_YET, "a", false).cards.a.box // 0
 */
export function answered({ questions, cards }: Progress, key: string, right: boolean): Progress {
  const box = right ? Math.min(COMES_BACK.length - 1, (cards[key]?.box ?? 0) + 1) : 0;
  return { questions: questions + 1, cards: { ...cards, [key]: { box, asked: questions } } };
}

/**
 * The card to ask next: one that has come due, the most overdue of the lowest box first; else one never asked, in the
 * order given; else the one that is due soonest. The one asked last does not come again at once where there is another.
 * @example nextCard(["a", "b"], { questions: 1, cards: { a: { box: 0, asked: 0 } } }) // "b"
 */
export function nextCard(keys: string[], { questions, cards }: Progress): string {
  const asked = keys.filter((key) => cards[key] && (keys.length === 1 || cards[key].asked !== questions - 1));
  const wait = (key: string) => cards[key]!.asked + COMES_BACK[cards[key]!.box]! - questions;
  const due = asked.filter((key) => wait(key) <= 0).sort((a, b) => cards[a]!.box - cards[b]!.box || wait(a) - wait(b));
  const fresh = keys.find((key) => !cards[key]);
  return due[0] ?? fresh ?? asked.sort((a, b) => wait(a) - wait(b))[0] ?? keys[0]!;
}

/**
 * How many of the cards were answered wrong last and wait to come back.
 * @example wrongOnes(["a", "b"], { cards: { a: { box: 0 }, b: { box: 1 } } }) // 1
 */
export const wrongOnes = (keys: string[], { cards }: Progress): number =>
  keys.filter((key) => cards[key]?.box === 0).length;

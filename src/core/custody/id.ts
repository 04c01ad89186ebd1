/** The id of a row, a device or an op: a UUIDv7, lower case. Ids sort as their moments do. */
export type Id = string;

/** Hexadecimal digits at an id's end that count the rows of one op: forty bits of chance, so that no two ops meet. */
const TAIL = 10;
const ROUND = 16 ** TAIL;

/**
 * Whether a text is an id as this program writes it.
 * @example isId("01a2123e-b7c2-700c-be4e-5a5d391ff92a") // true
 * @example isId("12") // false
 */
export const isId = (text: unknown): text is Id =>
  typeof text === "string" && /^[\da-f]{8}-[\da-f]{4}-7[\da-f]{3}-[89ab][\da-f]{3}-[\da-f]{12}$/.test(text);

/**
 * The id of the n-th row that an op makes. Server and device reckon it alike, so that what was written without a signal
 * can be named before the server has seen it.
 * @param op the op's id
 * @param n from 1
 * @example nthId("01a2123e-b7c2-700c-be4e-5a5d391ff92a", 1) // "01a2123e-b7c2-700c-be4e-5a5d391ff92b"
 */
export function nthId(op: Id, n: number): Id {
  const tail = (Number.parseInt(op.slice(-TAIL), 16) + n) % ROUND;
  return op.slice(0, -TAIL) + tail.toString(16).padStart(TAIL, "0");
}

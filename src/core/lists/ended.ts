/**
 * What a long piece of work comes to, at one go.
 * @example ended((function* () { yield "half"; return 2; })()) // 2
 */
export function ended<R>(going: Generator<unknown, R>): R {
  for (;;) {
    const { done, value } = going.next();
    if (done) return value as R;
  }
}

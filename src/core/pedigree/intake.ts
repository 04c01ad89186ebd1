/** One of a pedigree as it is told: its name, who it is from, its year, and the line of the text it stands on. */
export type ToldKin = { name: string; mother: string | null; father: string | null; year: number | null; line: number };

/** What is wrong with a pedigree that was told, and on which line. */
export type Trouble = { line: number; message: string };

/**
 * A told pedigree in an order in which parents come before their children, or what is wrong with it: one told twice, one that is
 * its own forebear, a child older than its parent, a parent without the other. Parents that are only named come first, with none.
 * @example orderedKin([{ name: "C", mother: "A", father: "B", year: null, line: 1 }]).kin.map((one) => one.name) // ["A", "B", "C"]
 */
export function orderedKin(told: ToldKin[]): { kin: ToldKin[]; troubles: Trouble[] } {
  const troubles: Trouble[] = [];
  const byName = new Map<string, ToldKin>();
  for (const one of told) {
    const known = byName.get(one.name);
    if (known) {
      const same = known.mother === one.mother && known.father === one.father;
      troubles.push({
        line: one.line,
        message: `“${one.name}” stands on line ${known.line} already${same ? "" : ", with other parents"}.`,
      });
    } else byName.set(one.name, one);
  }
  for (const { name, mother, father, line } of byName.values()) {
    if ((mother === null) !== (father === null))
      troubles.push({
        line,
        message: `“${name}” has one parent only: say the other, or “unknown” as a line of its own.`,
      });
  }
  const kin: ToldKin[] = [];
  const state = new Map<string, "open" | "done">();
  const place = (name: string, from: ToldKin | null, way: string[]): void => {
    if (state.get(name) === "done") return;
    const own = byName.get(name) ?? { name, mother: null, father: null, year: null, line: from?.line ?? 0 };
    if (state.get(name) === "open") {
      const round = [...way.slice(way.indexOf(name)), name];
      troubles.push({ line: own.line, message: `“${name}” is its own forebear: ${round.join(" from ")}.` });
      return;
    }
    state.set(name, "open");
    for (const parent of [own.mother, own.father]) {
      if (parent === null) continue;
      place(parent, own, [...way, name]);
      const older = byName.get(parent);
      if (older?.year != null && own.year !== null && older.year > own.year)
        troubles.push({
          line: own.line,
          message: `“${parent}” of ${older.year} is younger than its child “${name}” of ${own.year}.`,
        });
    }
    state.set(name, "done");
    kin.push(own);
  };
  for (const name of byName.keys()) place(name, null, []);
  return { kin, troubles: troubles.sort((a, b) => a.line - b.line) };
}

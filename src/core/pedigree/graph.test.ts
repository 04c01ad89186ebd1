import { describe, expect, test } from "vitest";
import { type Descends, foldPedigree, type Kinsman } from "./graph";

const one = (id: string, level = id, asked = false): Kinsman => ({ id, level, asked });
const link = (parent: string, child: string, more: Partial<Descends> = {}): Descends => ({
  parent,
  child,
  role: "both",
  how: "sure",
  label: "plant 1",
  ...more,
});
const drawn = (all: Kinsman[], links: Descends[]) => {
  const { nodes, links: lines } = foldPedigree(all, links);
  return {
    nodes: nodes.map(({ of }) => of.join("+")),
    links: lines.map(({ parent, child, how, label }) => `${parent}>${child} ${how} ${label}`.trim()),
  };
};

describe("a pedigree folded so that it can be read", () => {
  test("sisters that nothing comes from are one where they are more than three; what was asked for stands by itself", () => {
    const sisters = ["b", "c", "d", "e"].map((id) => one(id, "F2"));
    const links = sisters.map(({ id }) => link("a", id));
    expect(drawn([one("a"), ...sisters.slice(0, 3)], links.slice(0, 3)).nodes).toEqual(["a", "b", "c", "d"]);
    expect(drawn([one("a"), ...sisters], links)).toEqual({ nodes: ["a", "b+c+d+e"], links: ["a>folded b sure"] });
    const asked = [one("a"), ...sisters, one("f", "F2"), one("g", "F2", true)];
    expect(drawn(asked, [...links, link("a", "f"), link("a", "g")]).nodes).toEqual(["a", "b+c+d+e+f", "g"]);
    // One that has children of its own is not folded with those that have none.
    expect(drawn([one("a"), ...sisters, one("f", "F2"), one("x")], [...links, link("a", "f"), link("f", "x")])).toEqual(
      {
        nodes: ["a", "b+c+d+e", "f", "x"],
        links: ["a>folded b sure", "a>f sure plant 1", "f>x sure plant 1"],
      },
    );
  });

  test("a chain of four or more between two ends is one; a side branch breaks it", () => {
    const ids = ["a", "b", "c", "d", "e", "f"];
    const chain = ids.map((id) => one(id));
    const links = ids.slice(1).map((id, i) => link(ids[i]!, id, { how: i === 2 ? "open" : "sure" }));
    expect(drawn(chain, links)).toEqual({
      nodes: ["a", "b+c+d+e", "f"],
      links: ["a>folded b sure", "folded b>f sure"],
    });
    expect(drawn(chain.slice(0, 5), links.slice(0, 4)).nodes).toEqual(["a", "b", "c", "d", "e"]);
    expect(drawn([...chain, one("x")], [...links, link("c", "x")]).nodes).toHaveLength(7);
    const father = [...chain, one("y")];
    expect(drawn(father, [...links, link("y", "d")]).nodes).toHaveLength(7);
    expect(drawn([...chain.slice(0, 3), one("d", "d", true), ...chain.slice(4)], links).nodes).toHaveLength(6);
  });

  test("two parents of one child are two lines, drawn once each; what is folded of two kinds is not sure", () => {
    const links = [
      link("m", "c", { role: "mother", label: "" }),
      link("f", "c", { role: "father", how: "maybe", label: "" }),
    ];
    expect(drawn([one("m"), one("f"), one("c")], links).links).toEqual(["m>c sure", "f>c maybe"]);
    const sisters = ["b", "c", "d", "e"].map((id) => one(id, "F2"));
    const mixed = sisters.map(({ id }, i) => link("a", id, { how: i === 3 ? "open" : "sure" }));
    expect(drawn([one("a"), ...sisters], mixed).links).toEqual(["a>folded b maybe"]);
  });
});

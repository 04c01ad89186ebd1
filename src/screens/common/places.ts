/** The screens, in the order of the index, with the letter that follows `g`. */
export const PLACES = [
  { href: "/", label: "Today", key: "t" },
  { href: "/ground", label: "Ground", key: "g" },
  { href: "/season", label: "Season", key: "s" },
  { href: "/crosses", label: "Crosses", key: "c" },
  { href: "/nursery", label: "Nursery", key: "n" },
  { href: "/seed", label: "Seed", key: "d" },
  { href: "/lines", label: "Lines", key: "l" },
  { href: "/guide", label: "Guide", key: "u" },
  { href: "/shed", label: "Shed", key: "h" },
] as const;

import { Tabs } from "../common/Tabs";

const TABS = [
  { href: "/crosses", label: "To do" },
  { href: "/crosses/plan", label: "Mothers and fathers" },
  { href: "/crosses/book", label: "Cross book" },
  { href: "/crosses/works", label: "What works here" },
] as const;

/** The pages about crosses. */
export const CrossTabs = ({ at }: { at: (typeof TABS)[number]["href"] }) => (
  <Tabs label="Crosses" at={at} tabs={TABS} />
);

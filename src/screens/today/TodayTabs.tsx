import { Tabs } from "../common/Tabs";

const TABS = [
  { href: "/", label: "The day" },
  { href: "/weeks", label: "The weeks ahead" },
] as const;

/** The two looks at the work. */
export const TodayTabs = ({ at }: { at: (typeof TABS)[number]["href"] }) => (
  <Tabs label="The work" at={at} tabs={TABS} />
);

import type { Act } from "@/ui/Finder";

/** Pages and pieces of work that are found by words, beside the screens themselves. */
export const ACTS: Act[] = [
  { label: "Sow a stand", words: "sowing plant seed bed", href: "/ground#sow" },
  { label: "Add beds", words: "draw new plot", href: "/ground#bed" },
  { label: "Add outside pollen", words: "neighbour field wild source", href: "/ground#source" },
  { label: "Add a line", words: "new variety name", href: "/lines#line" },
  { label: "Plan a cross", words: "pollinate parents mother father matrix", href: "/crosses/plan" },
  { label: "The round", words: "dawn pollinate flowers walk begin", href: "/round" },
  { label: "The weeks ahead", words: "plan work tasks calendar", href: "/weeks" },
  { label: "Write down a task", words: "own note remember to do", href: "/#task" },
  { label: "What ripens", words: "harvest gather fruit frost race pick", href: "/seed/ripening" },
  { label: "Save seed from a stand", words: "keep gather lot", href: "/seed#save" },
  { label: "Received seed", words: "bought given packet new lot", href: "/seed#received" },
  { label: "The drawer", words: "packets stored lots inventory", href: "/seed/drawer" },
  { label: "Sharing days", words: "swap give members wishes", href: "/seed/sharing" },
  { label: "Arrange the season", words: "isolation distances beds days", href: "/season#arrange" },
  { label: "Copy last season", words: "again plan from before", href: "/season#copy" },
  { label: "The cross book", words: "pollinations csv import export", href: "/crosses/book" },
  { label: "What works", words: "set rate hours weather learned", href: "/crosses/works" },
  { label: "Practise hand pollination", words: "practice learn stages", href: "/guide/practice" },
  { label: "History", words: "undo take back what was recorded", href: "/shed/history" },
  { label: "Backup", words: "save download copy database", href: "/shed" },
  { label: "Bring two copies together", words: "merge phone", href: "/shed/copies" },
  { label: "Take in readings", words: "weather temperature import normals", href: "/shed#readings" },
  { label: "Units, days and numbers", words: "settings locale metric imperial latitude frost", href: "/shed" },
  { label: "Light: paper, sun, dawn", words: "theme dark contrast night", href: "/shed" },
];

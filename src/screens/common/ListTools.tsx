import { ListAsked, type ListAskedProps } from "./ListAsked";

/** How a list is looked at, to be changed; of the list itself nothing goes along. */
export const ListTools = ({ looked: { words, show, by, counts, all }, ...of }: ListAskedProps) => (
  <ListAsked looked={{ words, show, by, counts, all }} {...of} />
);

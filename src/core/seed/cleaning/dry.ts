import { type CleaningFacts, type CleaningWay, hoursAfter, type WayStep } from "./way";

const AT_ANY_TIME = hoursAfter(0);
const IN_DUST = { into: null, after: AT_ANY_TIME, otherwise: null, hazards: ["dust"] };
const DRY_HEADS = "Outdoors, the wind behind you. Let nothing of another lot lie in the sheet or the machine.";

const threshed = (how: string, title = "Get the seed out"): WayStep => ({
  act: "thresh",
  title,
  how: `${how} ${DRY_HEADS}`,
  ...IN_DUST,
  into: "tray",
});
const SIEVE: WayStep = {
  act: "sieve",
  title: "Sieve, coarse then fine",
  how: "The coarse sieve holds stalks, the fine one lets dust through.",
  ...IN_DUST,
};
const WINNOW: WayStep = {
  act: "winnow",
  title: "Winnow it",
  how: "Pour it slowly before a gentle wind; what falls farther is lighter seed, kept apart as second best.",
  ...IN_DUST,
};
const SPREAD: WayStep = {
  act: "spread",
  title: "Spread it to dry on",
  how: "Thin, in the shade, on paper or mesh. Large seed that feels dry needs weeks more.",
  into: "plate",
  after: hoursAfter(0, 0, 72),
  otherwise: "it heats and moulds in a heap",
  hazards: [],
};

const sifted = (how: string) => ({
  wet: false,
  steps: ({ chaff }: CleaningFacts) => [threshed(how), SIEVE, ...(chaff === "winnow" ? [WINNOW] : []), SPREAD],
});

export const thresh: CleaningWay = { name: "Thresh", ...sifted("Beat, tread or rub it out on a sheet.") };
export const bag: CleaningWay = {
  name: "Shake in a bag",
  ...sifted("Shake the heads in a paper bag; what falls first is the ripest."),
};
export const rub: CleaningWay = {
  name: "Rub",
  ...sifted("Rub the heads between gloved hands or on a board."),
};

const SHELL =
  "Shell it by hand; leave out small, stained and holed seed. Of ears take the middle, keep the ends apart.";
export const shell: CleaningWay = {
  name: "Shell by hand",
  wet: false,
  steps: () => [threshed(SHELL, "Shell it"), SPREAD],
};

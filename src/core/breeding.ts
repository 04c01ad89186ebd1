import Joi from "joi";
import { type Computation, share } from "./computations";
import { progenyTest } from "./inheritance/progeny";
import { segregationTest } from "./inheritance/segregation";
import { type Individual, kinshipsOf } from "./pedigree/pedigree";
import { offTypeBound, offTypeStandard } from "./purity/offTypes";
import { selectionIntensity } from "./selection/intensity";
import { selectionResponse } from "./selection/response";
import { roguingForecast } from "./selection/roguingForecast";

const number = Joi.number();
const whole = number.integer();
const inner = number.greater(0).less(1);
const plants = whole.min(1).max(1e9);
const id = Joi.string().min(1).max(100);

type PedigreeInput = { individuals: Individual[]; pairs: [string, string][] };

/** Computations of selection, roguing, inheritance and descent that can be called from outside. */
export const BREEDING: Computation[] = [
  {
    name: "selection-intensity",
    what: "Expected mean of the k largest of n standard normals, in standard deviations.",
    source: "order statistics of a finite number, integrated (Burrows 1972)",
    schema: Joi.object({ selected: plants.max(Joi.ref("candidates")).required(), candidates: plants.required() }),
    run: selectionIntensity,
  },
  {
    name: "selection-response",
    what: "What selection moves the next generation's mean by: R = c h² S; c is ½ where pollen was not controlled.",
    source: "breeder's equation, Lush 1937",
    schema: Joi.object({
      heritability: share.required(),
      differential: number.min(-1e12).max(1e12).required(),
      parentalControl: number.greater(0).max(1),
    }),
    run: selectionResponse,
  },
  {
    name: "roguing-forecast",
    what: "Frequency of a recessive off-type's gene and share of off-types before roguing, generation by generation from Hardy–Weinberg shares.",
    source: "selection against a recessive with partial selfing",
    schema: Joi.object({
      frequency: share.required(),
      generations: whole.min(0).max(10_000).required(),
      detection: share.required(),
      timing: Joi.string().valid("before-flowering", "after-flowering").required(),
      selfingRate: share,
    }),
    run: roguingForecast,
  },
  {
    name: "segregation-test",
    what: "Whether counts fit a ratio: Pearson's chi-square, and the summed multinomial chance of all tables no likelier than the observed (null where there are too many of them).",
    source: "Pearson 1900; exact multinomial test",
    schema: Joi.object({
      observed: Joi.array().items(whole.min(0).max(1e9)).min(2).max(16).required(),
      ratio: Joi.array().items(number.greater(0).max(1e9)).min(2).max(16).required(),
    }),
    run: segregationTest,
  },
  {
    name: "progeny-test",
    what: "Chance that a plant breeds true, as none of its offspring showed the recessive: each weighs the heterozygote by ¾ (selfed) or ½ (testcrossed).",
    source: "Bayes' rule on Mendel's ratios",
    schema: Joi.object({
      priorHeterozygous: share.required(),
      progeny: whole.min(0).max(1e9).required(),
      kind: Joi.string().valid("selfed", "testcrossed").required(),
    }),
    run: progenyTest,
  },
  {
    name: "off-type-bound",
    what: "The share of off-types that a line has at most, as so many were seen among so many plants.",
    source: "Clopper and Pearson 1934, one-sided",
    schema: Joi.object({
      offTypes: whole.min(0).max(Joi.ref("plants")).required(),
      plants: plants.required(),
      confidence: inner.required(),
    }),
    run: offTypeBound,
  },
  {
    name: "off-type-standard",
    what: "Off-types that a test of uniformity tolerates: smallest k with P(X ≤ k) ≥ acceptance, X ~ Bin(plants, standard).",
    source: "binomial acceptance sampling",
    schema: Joi.object({
      plants: plants.max(1e7).required(),
      standard: share.required(),
      acceptance: inner.required(),
    }),
    run: offTypeStandard,
  },
  {
    name: "pedigree",
    what: "Inbreeding of all and kinship of pairs; an unknown parent is unrelated to all, `selfings` unnamed single-seed generations lie between a cross and the individual.",
    source: "Meuwissen and Luo 1992",
    schema: Joi.object({
      individuals: Joi.array()
        .items(
          Joi.object({
            id: id.required(),
            mother: id.allow(null),
            father: id.allow(null),
            inbreeding: share,
            selfings: whole.min(0).max(1000),
          }),
        )
        .max(100_000)
        .required(),
      pairs: Joi.array().items(Joi.array().ordered(id.required(), id.required())).max(10_000).required(),
    }),
    run: ({ individuals, pairs }: PedigreeInput) => {
      const kinship = kinshipsOf(individuals);
      return {
        // Of one with itself: (1 + F) / 2.
        inbreeding: Object.fromEntries(individuals.map(({ id: one }) => [one, 2 * kinship(one, one) - 1])),
        kinship: pairs.map(([one, other]) => kinship(one, other)),
      };
    },
  },
];

/** The part of jstat that is used here; it ships without types. */
declare module "jstat" {
  const jstat: {
    beta: {
      inv: (probability: number, a: number, b: number) => number;
      cdf: (x: number, a: number, b: number) => number;
    };
    chisquare: { cdf: (x: number, freedom: number) => number };
    /** The studentized range. */
    tukey: { inv: (probability: number, means: number, freedom: number) => number };
    studentt: { inv: (probability: number, freedom: number) => number };
    normal: {
      inv: (probability: number, mean: number, deviation: number) => number;
      cdf: (x: number, mean: number, deviation: number) => number;
    };
  };
  export default jstat;
}

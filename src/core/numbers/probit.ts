import jstat from "jstat";

/**
 * The share of a standard normal distribution below x (jstat's error function, to some 1e-15).
 * @example shareBelow(1.959964) // 0.975
 */
export const shareBelow = (x: number): number => jstat.normal.cdf(x, 0, 1);

/**
 * The probit of a share: the standard normal value that the share lies below. Shares of all or none are held just inside.
 * @param share 0–1
 * @example probit(0.95) // 1.6449
 */
export const probit = (share: number): number => jstat.normal.inv(Math.min(1 - 1e-12, Math.max(1e-12, share)), 0, 1);

/** The standard normal density. @example normalDensity(0) // 0.3989 */
export const normalDensity = (x: number): number => Math.exp(-0.5 * x * x) / Math.sqrt(2 * Math.PI);

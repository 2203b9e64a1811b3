/** Words for the choices of the Trips stage. */
export const DAY_TYPES = [
  { value: "parked", word: "rest" },
  { value: "driving", word: "driving" },
  { value: "working", word: "work" },
] as const;
export const HOOKED = [
  { value: "", word: "no" },
  { value: "yes", word: "hooked up" },
] as const;
export const GOALS = [
  { value: "cost", word: "the least money" },
  { value: "mass", word: "the least mass" },
  { value: "reliability", word: "the fewest days short" },
] as const;

/** A part of one in words. */
export const percent = (v: number, digits = 0) => `${(100 * v).toFixed(digits)} %`;

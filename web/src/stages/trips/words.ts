/** Words for the choices of the Trips stage. */
import { says } from "../../words/trips";
export const DAY_TYPES = [
  { value: "parked", word: says("rest") },
  { value: "driving", word: says("driving") },
  { value: "working", word: says("work") },
] as const;
export const HOOKED = [
  { value: "", word: says("no") },
  { value: "yes", word: says("hooked-up-2") },
] as const;
export const GOALS = [
  { value: "cost", word: says("least-money") },
  { value: "mass", word: says("least-mass") },
  { value: "reliability", word: says("fewest-days-short") },
] as const;

/** A part of one in words. */
export const percent = (v: number, digits = 0) => `${(100 * v).toFixed(digits)} %`;

/** Kinds of batteries in words. */
import { says } from "../words/data";
export const CHEMISTRIES = [
  { value: "lifepo4", word: says("lithium-iron-phosphate") },
  { value: "nmc", word: says("lithium-nmc") },
  { value: "agm", word: says("lead-agm") },
  { value: "gel", word: says("lead-gel") },
  { value: "flooded", word: says("lead-flooded") },
] as const;

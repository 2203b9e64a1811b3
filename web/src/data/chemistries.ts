/** Kinds of batteries in words. */
export const CHEMISTRIES = [
  { value: "lifepo4", word: "lithium iron phosphate" },
  { value: "nmc", word: "lithium NMC" },
  { value: "agm", word: "lead AGM" },
  { value: "gel", word: "lead gel" },
  { value: "flooded", word: "lead, flooded" },
] as const;

/** Words for the choices of the Trips stage. */
export const DAY_TYPES = [
  { value: "parked", word: "rest" },
  { value: "driving", word: "driving" },
  { value: "working", word: "work" },
];
export const HOOKED = [
  { value: "", word: "no" },
  { value: "yes", word: "hooked up" },
];

/** Words for the choices of the Vehicle stage. */
export { wordOf } from "../../parts/choices";

export const PRESETS = [
  { value: "small_van", word: "small van" },
  { value: "panel_van", word: "panel van" },
  { value: "long_high_van", word: "long high van" },
  { value: "minibus", word: "minibus" },
  { value: "bus", word: "bus" },
  { value: "truck_body", word: "truck body" },
  { value: "trailer", word: "trailer" },
  { value: "truck_camper", word: "truck camper" },
  { value: "boat", word: "small boat" },
] as const;
export const REGIONS = [
  { value: "uk", word: "the United Kingdom" },
  { value: "eu", word: "the European Union" },
  { value: "us", word: "the United States" },
  { value: "au", word: "Australia" },
] as const;
export const BANK_PLACES = [
  { value: "warm_inside", word: "inside, in the warm" },
  { value: "unheated_inside", word: "inside, unheated" },
  { value: "garage", word: "in the garage" },
  { value: "underfloor", word: "under the floor" },
  { value: "engine_space", word: "in the engine space" },
] as const;
export const HULLS = [
  { value: "grp", word: "glass fibre" },
  { value: "wood", word: "wood" },
  { value: "steel", word: "steel" },
  { value: "aluminium", word: "aluminium" },
] as const;

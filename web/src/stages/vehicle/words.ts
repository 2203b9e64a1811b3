/** Words for the choices of the Vehicle stage. */
import { says } from "../../words/vehicle";

export { wordOf } from "../../parts/choices";

export const PRESETS = [
  { value: "small_van", word: says("small-van") },
  { value: "panel_van", word: says("panel-van") },
  { value: "long_high_van", word: says("long-high-van") },
  { value: "minibus", word: says("minibus") },
  { value: "bus", word: says("bus") },
  { value: "truck_body", word: says("truck-body") },
  { value: "trailer", word: says("trailer") },
  { value: "truck_camper", word: says("truck-camper") },
  { value: "boat", word: says("small-boat") },
] as const;
export const REGIONS = [
  { value: "uk", word: says("united-kingdom") },
  { value: "eu", word: says("european-union") },
  { value: "us", word: says("united-states") },
  { value: "au", word: says("australia") },
] as const;
export const BANK_PLACES = [
  { value: "warm_inside", word: says("inside-warm") },
  { value: "unheated_inside", word: says("inside-unheated") },
  { value: "garage", word: says("garage") },
  { value: "underfloor", word: says("under-floor") },
  { value: "engine_space", word: says("engine-space") },
] as const;
export const HULLS = [
  { value: "grp", word: says("glass-fibre") },
  { value: "wood", word: says("wood") },
  { value: "steel", word: says("steel") },
  { value: "aluminium", word: says("aluminium") },
] as const;

/** Words for the choices of Warmth. */
import { pairs } from "../../parts/choices";

export { wordOf } from "../../parts/choices";

export const VIEWS = { shell: "Shell", heating: "Heating", ducts: "Ducts and loop", air: "Air and damp", summer: "Summer" } as const;
export const CABS = pairs({ open: "open to the cab", curtain: "a quilted curtain before the cab", bulkhead: "a bulkhead to the cab", none: "no cab" });
export const COLOURS = pairs({ white: "white", light: "light", silver: "silver or beige", mid: "middling", dark: "dark" });
export const SCHOOLS = pairs({
  closed_cell: "closed-cell foam on the skin",
  barrier: "fibre behind a taped barrier",
  open: "open, to breathe and dry",
  bagged: "fibre in sealed bags",
});
export const COVERS = pairs({
  none: "nothing",
  screen_inside: "quilted screen inside",
  cover_outside: "padded cover outside",
  blind: "blind",
  cassette: "cassette blind, foil",
  curtain: "curtain",
  plug: "foam plug",
});
export const ELEMENTS = pairs({
  double_acrylic: "double acrylic window",
  single_acrylic: "single acrylic",
  single_glass: "single glass",
  double_rooflight: "double rooflight",
  fan_lid: "roof-fan lid",
  panel_door: "door with trim",
  sandwich: "sandwich door",
  bare_steel: "bare steel",
});
export const SIDES = pairs({ left: "left side", right: "right side", rear: "rear", front: "front wall", roof: "roof", floor: "floor" });
export const OPENING_KINDS = pairs({ window: "window", rooflight: "rooflight", door: "door", vent: "vent" });
export const SKINS = pairs({ steel_skin: "steel", aluminium_skin: "aluminium", grp_laminate: "glass fibre", none: "none" });
export const HEATER_KINDS = pairs({
  air: "blows warm air",
  combined: "warm air and hot water",
  coolant: "coolant",
  electric: "electric, on the mains",
  stove: "stove",
});
export const FUELS = pairs({
  diesel: "diesel",
  petrol: "petrol",
  kerosene: "kerosene",
  propane: "propane",
  butane: "butane",
  ethanol: "alcohol",
  wood: "wood",
  electric: "electricity",
});
export const PLACES = pairs({ inside: "inside", outside_box: "in a box outside", underfloor: "under the floor", engine_bay: "in the engine bay" });
export const ENDS = pairs({ side: "at the side", rear: "at the rear edge", under: "under the floor", forward: "to the front", up: "upwards" });
export const LIES = pairs({ inside: "inside, in the warm", unheated: "through an unheated place", outside: "outside" });
export const JOINTS = pairs({ none: "its beginning", tee_straight: "straight through a tee", tee_branch: "off a tee's side", y_branch: "off a Y" });
export const GRILLES = pairs({ grille_open: "open grille", grille_directional: "grille with vanes", none: "no grille" });
export const DAMPERS = pairs({
  none: "none",
  damper_0: "open",
  damper_20: "at 20°",
  damper_30: "at 30°",
  damper_45: "at 45°",
  damper_60: "at 60°",
});
export const RETURNS = pairs({ living: "the living space", gas_locker: "the gas locker", engine: "the engine space", outside: "outside" });
export const FLUIDS = pairs({
  pg50: "propylene glycol, half",
  pg30: "propylene glycol, a third",
  eg50: "ethylene glycol, half",
  eg30: "ethylene glycol, a third",
  water: "water",
});
export const EMITTERS = pairs({
  fan_coil: "fan coil",
  convector: "convector",
  floor: "warm floor",
  exchanger: "plate exchanger, hot water",
  calorifier: "calorifier",
});
export const VENT_KINDS = pairs({
  roof_fan: "roof fan",
  wall_fan: "wall fan",
  extract: "shower extract",
  fixed_roof: "fixed vent, roof",
  fixed_wall_high: "fixed vent, high in a wall",
  fixed_low: "fixed vent, low",
  window: "window or louvre",
});
export const HOB_FUELS = pairs({ propane: "propane", butane: "butane", ethanol: "alcohol" });
export const ALARM_KINDS = pairs({ co: "carbon monoxide", smoke: "smoke" });
export const MOUNTINGS = pairs({ wall: "on a wall", ceiling: "on the ceiling" });
export const SUPPLIES = pairs({ native: "direct current, without the inverter", inverter: "mains, through the inverter or a hook-up" });
export const COMPRESSORS = pairs({ variable: "varies its speed", fixed: "on and off" });

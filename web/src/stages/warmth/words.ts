/** Words for the choices of Warmth. */
import { pairs } from "../../parts/choices";
import { says } from "../../words/warmth";

export { wordOf } from "../../parts/choices";

export const VIEWS = {
  shell: says("shell-3"),
  heating: says("heating-2"),
  ducts: says("ducts-loop-2"),
  air: says("air-damp-2"),
  summer: says("summer-2"),
} as const;
export const CABS = pairs({ open: says("open-cab"), curtain: says("quilted-curtain-before-cab"), bulkhead: says("bulkhead-cab"), none: says("no-cab") });
export const COLOURS = pairs({ white: says("white"), light: says("light"), silver: says("silver-beige"), mid: says("middling"), dark: says("dark") });
export const SCHOOLS = pairs({
  closed_cell: says("closed-cell-foam-skin"),
  barrier: says("fibre-behind-taped-barrier"),
  open: says("open-breathe-dry"),
  bagged: says("fibre-sealed-bags"),
});
export const COVERS = pairs({
  none: says("nothing"),
  screen_inside: says("quilted-screen-inside"),
  cover_outside: says("padded-cover-outside"),
  blind: says("blind"),
  cassette: says("cassette-blind-foil"),
  curtain: says("curtain"),
  plug: says("foam-plug"),
});
export const ELEMENTS = pairs({
  double_acrylic: says("double-acrylic-window"),
  single_acrylic: says("single-acrylic"),
  single_glass: says("single-glass"),
  double_rooflight: says("double-rooflight"),
  fan_lid: says("roof-fan-lid"),
  panel_door: says("door-trim"),
  sandwich: says("sandwich-door"),
  bare_steel: says("bare-steel"),
});
export const SIDES = pairs({
  left: says("left-side"),
  right: says("right-side"),
  rear: says("rear"),
  front: says("front-wall"),
  roof: says("roof"),
  floor: says("floor"),
});
export const OPENING_KINDS = pairs({ window: says("window-2"), rooflight: says("rooflight"), door: says("door"), vent: says("vent-2") });
export const SKINS = pairs({ steel_skin: says("steel"), aluminium_skin: says("aluminium"), grp_laminate: says("glass-fibre"), none: says("none") });
export const HEATER_KINDS = pairs({
  air: says("blows-warm-air"),
  combined: says("warm-air-hot-water"),
  coolant: says("coolant"),
  electric: says("electric-mains"),
  stove: says("stove"),
});
export const FUELS = pairs({
  diesel: says("diesel"),
  petrol: says("petrol"),
  kerosene: says("kerosene"),
  propane: says("propane"),
  butane: says("butane"),
  ethanol: says("alcohol"),
  wood: says("wood"),
  electric: says("electricity"),
});
export const PLACES = pairs({ inside: says("inside-3"), outside_box: says("box-outside"), underfloor: says("under-floor"), engine_bay: says("engine-bay") });
export const ENDS = pairs({ side: says("side-2"), rear: says("rear-edge"), under: says("under-floor"), forward: says("front"), up: says("upwards") });
export const LIES = pairs({ inside: says("inside-warm"), unheated: says("through-unheated-place"), outside: says("outside-4") });
export const JOINTS = pairs({
  none: says("beginning"),
  tee_straight: says("straight-through-tee"),
  tee_branch: says("off-tees-side"),
  y_branch: says("off-y"),
});
export const GRILLES = pairs({ grille_open: says("open-grille"), grille_directional: says("grille-vanes"), none: says("no-grille") });
export const DAMPERS = pairs({
  none: says("none"),
  damper_0: says("open-2"),
  damper_20: says("at"),
  damper_30: says("at-2"),
  damper_45: says("at-3"),
  damper_60: says("at-4"),
});
export const RETURNS = pairs({ living: says("living-space"), gas_locker: says("gas-locker"), engine: says("engine-space"), outside: says("outside-4") });
export const FLUIDS = pairs({
  pg50: says("propylene-glycol-half"),
  pg30: says("propylene-glycol-third"),
  eg50: says("ethylene-glycol-half"),
  eg30: says("ethylene-glycol-third"),
  water: says("water-2"),
});
export const EMITTERS = pairs({
  fan_coil: says("fan-coil"),
  convector: says("convector-2"),
  floor: says("warm-floor"),
  exchanger: says("plate-exchanger-hot-water"),
  calorifier: says("calorifier"),
});
export const VENT_KINDS = pairs({
  roof_fan: says("roof-fan"),
  wall_fan: says("wall-fan"),
  extract: says("shower-extract"),
  fixed_roof: says("fixed-vent-roof"),
  fixed_wall_high: says("fixed-vent-high-wall"),
  fixed_low: says("fixed-vent-low"),
  window: says("window-louvre"),
});
export const HOB_FUELS = pairs({ propane: says("propane"), butane: says("butane"), ethanol: says("alcohol") });
export const ALARM_KINDS = pairs({ co: says("carbon-monoxide"), smoke: says("smoke") });
export const MOUNTINGS = pairs({ wall: says("wall-2"), ceiling: says("ceiling") });
export const SUPPLIES = pairs({ native: says("direct-current-without-inverter"), inverter: says("mains-through-inverter-hook") });
export const COMPRESSORS = pairs({ variable: says("varies-speed"), fixed: says("off") });

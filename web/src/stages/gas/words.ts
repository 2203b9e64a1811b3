/** Words for the choices of Gas. */
import { PIPE_FITTINGS, pairs } from "../../parts/choices";
import { says } from "../../words/gas";

export { HELD, VERDICT, wordOf } from "../../parts/choices";

export const VIEWS = {
  use: says("use-days"),
  vessels: says("vessels-2"),
  locker: says("locker-air-2"),
  pipes: says("pipes"),
  cooking: says("ways-cook"),
  papers: says("tests-papers-2"),
} as const;
export const GASES = pairs({ propane: says("propane"), butane: says("butane"), mix_70_30: says("mix"), mix_50_50: says("mix-2"), mix_30_70: says("mix-3") });
export const COOKING = pairs({
  gas: says("gas-3"),
  induction: says("induction"),
  diesel: says("diesel-hob"),
  alcohol: says("alcohol"),
  gas_induction: says("gas-induction"),
});
export const KINDS = pairs({
  hob_burner: says("hob-burner"),
  oven: says("oven"),
  grill: says("grill"),
  space_heater: says("space-heater"),
  water_heater: says("water-heater"),
  combi_heater: says("heater-air-water"),
  instant_water_heater: says("instant-water-heater"),
  fridge: says("fridge"),
  bbq: says("barbecue"),
});
export const BASES = pairs({ gross: says("gross"), net: says("net") });
export const IGNITERS = pairs({ piezo: says("piezo"), dc: says("v"), mains: says("mains"), none: says("match") });
export const VESSELS = pairs({ cylinder: says("cylinder-2"), tank: says("fixed-tank") });
export const SUPPLIES = pairs({ exchange: says("exchanged"), refillable: says("refilled") });
export const PLACES = pairs({ locker: says("locker-4"), underfloor: says("under-floor"), outside: says("outside-drawbar"), inside: says("living-space") });
export const OUTLETS = pairs({
  pol: says("pol-left-hand"),
  clip_21: says("clip-mm"),
  clip_27: says("clip-mm-2"),
  m20: says("m20-left-hand"),
  w21_8: says("w21-left-hand"),
  w20: says("w20-left-hand"),
  local_clip: says("clip-country"),
  qcc1: says("qcc-type"),
  leisure_27: says("mm-leisure"),
});
export const FILLERS = pairs({ bayonet: says("bayonet"), acme: says("acme"), dish: says("dish"), en13760: says("en-nozzle"), us_acme: says("acme-2") });
export const RULE_SETS = pairs({ low: says("low-only"), low_high: says("low-high"), per_kg: says("mass-gas"), boat_drain: says("boats-drain") });
export const OPENS = pairs({ outside: says("outside"), inside_sealed: says("inside-sealed-door-sill"), inside: says("inside") });
export const POSITIONS = pairs({ low: says("lowest-point"), high: says("high") });
export const MOUNTS = pairs({ wall: says("wall-above-valve"), cylinder: says("cylinder-3") });
export const MATERIALS = pairs({ copper: says("copper"), steel: says("steel") });
export const JOINTS = pairs({
  compression: says("compression"),
  cutting_ring: says("cutting-ring"),
  flare: says("flare"),
  soft_solder: says("soft-solder"),
  push_fit: "push-fit",
  taped: says("taped-compression"),
});
export const FITTINGS = pairs({
  ...PIPE_FITTINGS,
  valve_ball: says("ball-valves"),
  valve_appliance: says("appliance-valves"),
});
export const DRIVING = pairs({ shut: says("shut"), open: says("open") });
export const INSTALLERS = pairs({ owner: says("owner"), licensed: says("licensed-registered-fitter") });
export const TEST_GAS = pairs({ air: says("air"), lpg: says("gas-itself") });
export const CHECKS = pairs({ working: says("everything-burning"), lock_up: says("all-off"), flame_failure: says("flame-blown-out") });
export const METHODS: Record<string, string> = {
  lpg_hob: says("gas-hob"),
  alcohol_stove: says("alcohol-stove"),
  diesel_hob: says("diesel-hob-flued"),
  induction: says("induction-2"),
  resistive_hob: says("electric-hotplate"),
  kettle: says("kettle-boiling-only"),
  microwave: says("microwave"),
};
export const SCHOOL_OF: Record<string, string> = {
  lpg_hob: says("gas-2"),
  induction: says("induction-2"),
  diesel_hob: says("diesel"),
  alcohol_stove: says("alcohol-2"),
};
/** A limit, never written rounder than it is judged. */
export const limitWord = (v: number) => String(Number(v.toFixed(2)));
/** A drop to two places; nothing has no sign. */
export const dropWord = (v: number) => (Number(v.toFixed(2)) || 0).toFixed(2);
/** How gas flows in a pipe. */
export const REGIMES = { laminar: says("laminar"), between: says("between-two"), turbulent: says("turbulent") };
export const REASONS: Record<string, string> = {
  "pressure-too-low": says("too-little-pressure"),
  "not-stabilised": says("not-left-settle"),
  "too-short": says("too-short"),
  "temperature-drift": says("temperature-moved-too-much"),
  "pressure-rise": says("pressure-rose"),
  "drop-over-limit": says("fell-more-than-step"),
};
export const BOIL: Record<string, string> = { continuous: says("long"), burst: says("time"), "too-much": says("not-time") };
export const PRE_TRIP = pairs({
  shut: says("valve-shut-cylinder-strapped"),
  hose: says("hose-date-surface"),
  regulator: says("regulator-clicks"),
  drain: says("lockers-drain-clear"),
  bubbles: says("bubble-test-last-joint"),
  alarms: says("alarms-pressed"),
  flames: says("flames-blue"),
  solenoid: says("solenoid-shuts"),
  off: says("fridge-heater-off-fuel"),
});
export const SMELL = says("if-you-smell-gas");

/** Words for the choices of Gas. */
import { PIPE_FITTINGS, pairs } from "../../parts/choices";

export { HELD, VERDICT, wordOf } from "../../parts/choices";

export const VIEWS = {
  use: "Use and days",
  vessels: "Vessels",
  locker: "Locker and air",
  pipes: "Pipes",
  cooking: "Ways to cook",
  papers: "Tests and papers",
} as const;
export const GASES = pairs({ propane: "propane", butane: "butane", mix_70_30: "mix 70/30", mix_50_50: "mix 50/50", mix_30_70: "mix 30/70" });
export const COOKING = pairs({
  gas: "with gas",
  induction: "by induction",
  diesel: "on a diesel hob",
  alcohol: "with alcohol",
  gas_induction: "with gas and induction",
});
export const KINDS = pairs({
  hob_burner: "hob burner",
  oven: "oven",
  grill: "grill",
  space_heater: "space heater",
  water_heater: "water heater",
  combi_heater: "heater for air and water",
  instant_water_heater: "instant water heater",
  fridge: "fridge",
  bbq: "barbecue",
});
export const BASES = pairs({ gross: "gross", net: "net" });
export const IGNITERS = pairs({ piezo: "piezo", dc: "12 or 24 V", mains: "mains", none: "a match" });
export const VESSELS = pairs({ cylinder: "cylinder", tank: "fixed tank" });
export const SUPPLIES = pairs({ exchange: "exchanged", refillable: "refilled" });
export const PLACES = pairs({ locker: "in the locker", underfloor: "under the floor", outside: "outside, on the drawbar", inside: "in the living space" });
export const OUTLETS = pairs({
  pol: "POL left-hand",
  clip_21: "clip-on 21 mm",
  clip_27: "clip-on 27 mm",
  m20: "M20×1.5 left-hand",
  w21_8: "W21.8×1/14 left-hand",
  w20: "W20×1/14 left-hand",
  local_clip: "a clip-on of the country",
  qcc1: "QCC type 1",
  leisure_27: "27 mm leisure",
});
export const FILLERS = pairs({ bayonet: "bayonet", acme: "ACME", dish: "dish", en13760: "EN 13760 nozzle", us_acme: "1 3/4 in ACME" });
export const RULE_SETS = pairs({ low: "low only", low_high: "low and high", per_kg: "by the mass of gas", boat_drain: "a boat’s drain" });
export const OPENS = pairs({ outside: "to the outside", inside_sealed: "to the inside, sealed door and sill", inside: "to the inside" });
export const POSITIONS = pairs({ low: "lowest point", high: "high" });
export const MOUNTS = pairs({ wall: "on the wall, above the valve", cylinder: "on the cylinder" });
export const MATERIALS = pairs({ copper: "copper", steel: "steel" });
export const JOINTS = pairs({
  compression: "compression",
  cutting_ring: "cutting ring",
  flare: "flare",
  soft_solder: "soft solder",
  push_fit: "push-fit",
  taped: "taped compression",
});
export const FITTINGS = pairs({
  ...PIPE_FITTINGS,
  valve_ball: "ball valves",
  valve_appliance: "appliance valves",
});
export const DRIVING = pairs({ shut: "shut", open: "open" });
export const INSTALLERS = pairs({ owner: "the owner", licensed: "a licensed or registered fitter" });
export const TEST_GAS = pairs({ air: "air", lpg: "the gas itself" });
export const CHECKS = pairs({ working: "everything burning", lock_up: "all off", flame_failure: "flame blown out" });
export const METHODS: Record<string, string> = {
  lpg_hob: "gas hob",
  alcohol_stove: "alcohol stove",
  diesel_hob: "diesel hob, flued",
  induction: "induction",
  resistive_hob: "electric hotplate",
  kettle: "kettle, boiling only",
  microwave: "microwave",
};
export const SCHOOL_OF: Record<string, string> = { lpg_hob: "gas", induction: "induction", diesel_hob: "diesel", alcohol_stove: "alcohol" };
/** A limit, never written rounder than it is judged. */
export const limitWord = (v: number) => String(Number(v.toFixed(2)));
/** A drop to two places; nothing has no sign. */
export const dropWord = (v: number) => (Number(v.toFixed(2)) || 0).toFixed(2);
/** How gas flows in a pipe. */
export const REGIMES = { laminar: "laminar", between: "between the two", turbulent: "turbulent" };
export const REASONS: Record<string, string> = {
  "pressure-too-low": "too little pressure",
  "not-stabilised": "not left to settle",
  "too-short": "too short",
  "temperature-drift": "the temperature moved too much",
  "pressure-rise": "the pressure rose",
  "drop-over-limit": "it fell by more than a step of the gauge",
};
export const BOIL: Record<string, string> = { continuous: "for long", burst: "for that time", "too-much": "not for that time" };
export const PRE_TRIP = pairs({
  shut: "valve shut, cylinder strapped",
  hose: "hose: date and surface",
  regulator: "regulator clicks",
  drain: "locker’s drain clear",
  bubbles: "bubble test on the last joint opened",
  alarms: "alarms pressed",
  flames: "flames blue",
  solenoid: "solenoid shuts",
  off: "fridge and heater off for fuel stop, ferry, tunnel",
});
export const SMELL =
  "If you smell gas: get everybody out. Don’t touch switches, don’t light anything. Shut the cylinder valve if you can do so safely. Open the doors. From outside, call the fire service or your gas supplier.";

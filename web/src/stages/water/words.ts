/** Words for the choices of Water. */
import { PIPE_FITTINGS, pairs } from "../../parts/choices";

export { HELD, VERDICT, wordOf } from "../../parts/choices";

export const VIEWS = { days: "Days", tanks: "Tanks", taps: "Taps", hot: "Hot, waste, frost", care: "Care and tests" } as const;
export const STYLES = pairs({ frugal: "frugally", moderate: "as most do", generous: "as at home" });
export const SOURCES = pairs({ tank: "from the tank", separate: "from a store of its own" });
export const SHOWERS = pairs({ flow: "flows through", recirculating: "runs in a circle", none: "none inside" });
export const TOILETS = pairs({ none: "none", cassette: "cassette", black: "black tank", separating: "separating", bag: "gelling bags" });
export const HOLDS = pairs({ fresh: "fresh water", drinking: "drinking water", grey: "grey water", black: "black water" });
export const PLACES = pairs({ inside: "inside, in the warm", underfloor: "under the floor", outside: "outside" });
export const FILLS = pairs({ hose: "by hose", gravity: "through a filler", jug: "by jug" });
export const SENDERS = pairs({ resistive: "ohms", voltage: "volts", stepped: "steps" });
export const SHAPES = pairs({ box: "box", cylinder_vertical: "standing cylinder", cylinder_horizontal: "lying cylinder", polygon: "drawn section" });
export const PUMPS = pairs({ pressure: "pressure pump", variable: "pump that varies its speed", submersible: "submersible, with switches in the taps" });
export const OUTLETS = pairs({
  none: "goes on",
  sink: "kitchen tap",
  basin: "basin",
  shower: "shower",
  outside: "outside tap",
  toilet: "toilet",
  heater: "heater",
});
export const FITTINGS = pairs({
  ...PIPE_FITTINGS,
  insert_coupling: "insert couplings",
  reducer: "reducers",
  valve_ball: "ball valves",
  valve_stop: "stop valves",
  valve_check: "check valves",
  strainer: "strainers",
});
export const FILTERS = pairs({ sediment: "sediment", carbon: "carbon", fine: "fine", uv: "UV lamp" });
export const FILTER_AT = pairs({ all: "before all water", drinking: "at the drinking tap" });
export const HEATERS = pairs({ storage: "stores hot water", instant: "heats as it flows" });
export const HEAT_SOURCES = pairs({
  element: "an element",
  gas: "gas",
  diesel: "diesel",
  coil: "the engine’s coolant",
  coil_element: "coolant and an element",
  gas_element: "gas and an element",
  loop: "the coolant loop, a plate exchanger",
});
export const ELEMENT_SUPPLIES = pairs({ inverter: "the inverter", dc: "the bank, direct", shore: "the hook-up only" });
export const FIXTURES = pairs({ sink: "sink", basin: "basin", shower: "shower" });
export const GREY_TO = pairs({ tank: "a tank", container: "a portable container", ground: "the ground", overboard: "overboard" });
export const WINTERS = pairs({ keep_warm: "kept warm", drain: "drained down", glycol: "food-safe glycol" });
export const PRODUCTS = pairs({ liquid: "liquid bleach", solid: "granules", tablet: "tablets" });
export const MEDIA = pairs({ water: "water", air: "air, at most 50 kPa" });
export const PIPES = pairs({ plastic: "plastic", rigid: "metal" });
export const SHOWER_LIST = pairs({
  backing: "stiff dry backing",
  tray: "tray or lining with 50 mm of upstand",
  lapped: "lining lapped into the tray, outside over inside",
  sealed: "corners, screws, taps and pipe holes sealed",
  falls: "falls to a waste at both ends, 1 : 60",
  trap: "trap fitted and reachable",
  curtain: "curtain or door closes inside the tray",
  extract: "extract vent",
  flood: "flood test: 25 mm for an hour level, an hour rocked",
});
export const STORES: Record<string, string> = {
  fresh: "fresh water",
  drinking: "drinking water",
  grey: "grey water",
  cassette: "toilet cassette",
  black: "black tank",
  urine: "urine container",
  solids: "solids",
};
export const USES: Record<string, string> = {
  machines: "washing machine and the like",
  drinking: "drinking",
  cooking: "cooking",
  dishes: "dishes",
  hand_wash: "hands and teeth",
  shower: "shower",
  flush: "flushing",
  outside: "outside",
};
export const REASONS: Record<string, string> = {
  "temperature-drift": "the temperature moved too much",
  "too-short": "too short",
  "pressure-rise": "the pressure rose",
  "drop-over-limit": "it fell by more than is allowed",
};

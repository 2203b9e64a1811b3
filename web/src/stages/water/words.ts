/** Words for the choices of Water. */
import { PIPE_FITTINGS, pairs } from "../../parts/choices";
import { says } from "../../words/water";

export { HELD, VERDICT, wordOf } from "../../parts/choices";

export const VIEWS = { days: says("days-3"), tanks: says("tanks-2"), taps: says("taps"), hot: says("hot-waste-frost-2"), care: says("care-tests-2") } as const;
export const STYLES = pairs({ frugal: says("frugally"), moderate: says("most-do"), generous: says("home") });
export const SOURCES = pairs({ tank: says("tank-3"), separate: says("store-own") });
export const SHOWERS = pairs({ flow: says("flows-through"), recirculating: says("runs-circle"), none: says("none-inside") });
export const TOILETS = pairs({
  none: says("none"),
  cassette: says("cassette"),
  black: says("black-tank"),
  separating: says("separating"),
  bag: says("gelling-bags"),
});
export const HOLDS = pairs({ fresh: says("fresh-water"), drinking: says("drinking-water"), grey: says("grey-water"), black: says("black-water") });
export const PLACES = pairs({ inside: says("inside-warm"), underfloor: says("under-floor"), outside: says("outside") });
export const FILLS = pairs({ hose: says("hose"), gravity: says("through-filler"), jug: says("jug") });
export const SENDERS = pairs({ resistive: says("ohms"), voltage: says("volts"), stepped: says("steps") });
export const SHAPES = pairs({
  box: says("box"),
  cylinder_vertical: says("standing-cylinder"),
  cylinder_horizontal: says("lying-cylinder"),
  polygon: says("drawn-section"),
});
export const PUMPS = pairs({ pressure: says("pressure-pump"), variable: says("pump-varies-speed"), submersible: says("submersible-switches-taps") });
export const OUTLETS = pairs({
  none: says("goes"),
  sink: says("kitchen-tap"),
  basin: says("basin"),
  shower: says("shower-4"),
  outside: says("outside-tap"),
  toilet: says("toilet-2"),
  heater: says("heater-2"),
});
export const FITTINGS = pairs({
  ...PIPE_FITTINGS,
  insert_coupling: says("insert-couplings"),
  reducer: says("reducers"),
  valve_ball: says("ball-valves"),
  valve_stop: says("stop-valves"),
  valve_check: says("check-valves"),
  strainer: says("strainers"),
});
export const FILTERS = pairs({ sediment: says("sediment"), carbon: says("carbon"), fine: says("fine"), uv: says("uv-lamp") });
export const FILTER_AT = pairs({ all: says("before-all-water"), drinking: says("drinking-tap") });
export const HEATERS = pairs({ storage: says("stores-hot-water"), instant: says("heats-flows") });
export const HEAT_SOURCES = pairs({
  element: says("element-2"),
  gas: says("gas"),
  diesel: says("diesel"),
  coil: says("engines-coolant"),
  coil_element: says("coolant-element"),
  gas_element: says("gas-element"),
  loop: says("coolant-loop-plate-exchanger"),
});
export const ELEMENT_SUPPLIES = pairs({ inverter: says("inverter"), dc: says("bank-direct"), shore: says("hook-up-only") });
export const FIXTURES = pairs({ sink: says("sink"), basin: says("basin"), shower: says("shower-4") });
export const GREY_TO = pairs({ tank: says("tank-4"), container: says("portable-container-2"), ground: says("ground"), overboard: says("overboard") });
export const WINTERS = pairs({ keep_warm: says("kept-warm"), drain: says("drained-down-2"), glycol: says("food-safe-glycol") });
export const PRODUCTS = pairs({ liquid: says("liquid-bleach"), solid: says("granules"), tablet: says("tablets") });
export const MEDIA = pairs({ water: says("water-2"), air: says("air-most-kpa") });
export const PIPES = pairs({ plastic: says("plastic"), rigid: says("metal") });
export const SHOWER_LIST = pairs({
  backing: says("stiff-dry-backing"),
  tray: says("tray-lining-mm-upstand"),
  lapped: says("lining-lapped-into-tray"),
  sealed: says("corners-screws-taps-pipe"),
  falls: says("falls-waste-both-ends"),
  trap: says("trap-fitted-reachable"),
  curtain: says("curtain-door-closes-inside"),
  extract: says("extract-vent"),
  flood: says("flood-test-mm-hour"),
});
export const STORES: Record<string, string> = {
  fresh: says("fresh-water"),
  drinking: says("drinking-water"),
  grey: says("grey-water"),
  cassette: says("toilet-cassette"),
  black: says("black-tank"),
  urine: says("urine-container"),
  solids: says("solids"),
};
export const USES: Record<string, string> = {
  machines: says("washing-machine-like"),
  drinking: says("drinking"),
  cooking: says("cooking"),
  dishes: says("dishes"),
  hand_wash: says("hands-teeth"),
  shower: says("shower-4"),
  flush: says("flushing"),
  outside: says("outside"),
};
export const REASONS: Record<string, string> = {
  "temperature-drift": says("temperature-moved-too-much"),
  "too-short": says("too-short"),
  "pressure-rise": says("pressure-rose"),
  "drop-over-limit": says("fell-more-than-allowed"),
};

/** The words of Layout and weight. */
export const VIEWS = {
  places: "Places",
  ways: "Ways",
  wall: "Behind a wall",
  out: "Way out",
  roof: "Roof",
  sides: "Sides and floor",
  weight: "Weight",
  measure: "Measure",
} as const;
export const TURNS = [
  { value: "0", word: "0°" },
  { value: "90", word: "90° left" },
  { value: "180", word: "180°" },
  { value: "270", word: "90° right" },
] as const;
export const UPS = [
  { value: "top", word: "top up" },
  { value: "front", word: "front up" },
  { value: "rear", word: "rear up" },
  { value: "left", word: "left side up" },
  { value: "right", word: "right side up" },
  { value: "bottom", word: "upside down" },
] as const;
export const FIXINGS = [
  { value: "wood_screw_ply", word: "wood screws in 12 mm ply" },
  { value: "wood_screw_softwood", word: "wood screws in softwood" },
  { value: "self_tapping", word: "self-tapping screws in steel" },
  { value: "insert_m6", word: "M6 threaded inserts" },
  { value: "insert_m8", word: "M8 threaded inserts" },
  { value: "bolt_m6_plate", word: "M6 bolts with plates" },
  { value: "bolt_m8_plate", word: "M8 bolts with plates" },
] as const;
export const PORTS = [
  { value: "cable", word: "cables" },
  { value: "water", word: "pipes" },
  { value: "gas", word: "gas pipes" },
  { value: "air", word: "ducts" },
] as const;
export const SIGNALS = [
  { value: "sensor", word: "sender or probe" },
  { value: "shunt", word: "shunt display" },
  { value: "display", word: "display or panel" },
  { value: "can", word: "bus" },
  { value: "ethernet", word: "Ethernet" },
  { value: "coax", word: "aerial" },
  { value: "usb", word: "USB" },
  { value: "hdmi", word: "HDMI" },
] as const;
export const BAY_KINDS = [
  { value: "living", word: "living space" },
  { value: "bench", word: "in a bench" },
  { value: "kitchen_run", word: "in the kitchen" },
  { value: "wardrobe", word: "in a wardrobe" },
  { value: "overhead", word: "overhead" },
  { value: "garage", word: "garage" },
  { value: "cab", word: "cab" },
  { value: "underfloor", word: "under the floor" },
  { value: "roof", word: "on the roof" },
  { value: "gas_locker", word: "gas locker" },
  { value: "outside_locker", word: "outside locker" },
  { value: "engine_bay", word: "engine space" },
  { value: "battery_box", word: "battery box" },
] as const;
export const THERMAL = [
  { value: "living", word: "as warm as the living space" },
  { value: "unheated", word: "inside, unheated" },
  { value: "outside", word: "as cold as outside" },
] as const;
export const OBSTACLES = [
  { value: "wheel_arch", word: "wheel arch" },
  { value: "rib", word: "rib" },
  { value: "frame_rail", word: "frame rail" },
  { value: "door_swing", word: "swing of a door" },
  { value: "step", word: "step" },
  { value: "filler_pipe", word: "filler pipe" },
  { value: "engine_bay", word: "engine cover" },
  { value: "swept_volume", word: "room of a slide-out or folding bed" },
  { value: "seat", word: "seat" },
  { value: "other", word: "something else" },
] as const;
export const SIDES = [
  { value: "left", word: "left" },
  { value: "right", word: "right" },
  { value: "rear", word: "rear" },
  { value: "front", word: "front" },
  { value: "roof", word: "roof" },
] as const;
export const SCHOOLS = [
  { value: "interior_10g", word: "10 g every way, among people" },
  { value: "cargo_lashing", word: "0.8 g forward, load in a hold" },
  { value: "marine_battery", word: "2 g every way, afloat" },
] as const;
export const FROM = { typed: "measured or typed", part: "from its part", usual: "usual of its kind" } as const;
export const CAUTION =
  "Weights are estimates until it is weighed; overload is an offence and can void the insurance. Fixings here are values to screen with, not a crash approval. Gas and mains things placed here are only positions: licensed trades install and test them where local rules say so.";
export const CUT =
  "Before any hole: look and feel below, disconnect the battery, keep clear of airbags and their looms, fuel, brake and gas lines. Don’t cut bows, pillars, belt or seat anchorages, chassis rails.";
export const HELD = [
  { value: "profiles", word: "two bonded profiles" },
  { value: "corner_feet", word: "four bonded corner feet" },
  { value: "perimeter", word: "bonded all round" },
  { value: "bolts", word: "bolts" },
  { value: "clamped", word: "its own clamp" },
] as const;
export const ADHESIVES = [
  { value: "hybrid", word: "hybrid adhesive" },
  { value: "polyurethane", word: "polyurethane adhesive" },
  { value: "epoxy", word: "two-part epoxy" },
  { value: "foam_tape", word: "acrylic foam tape" },
  { value: "silicone", word: "silicone (seals only)" },
  { value: "butyl_tape", word: "butyl tape (seals only)" },
] as const;
export const SURFACES = [
  { value: "sound_paint", word: "sound paint" },
  { value: "bare_primed", word: "bare metal, primed" },
  { value: "gel_coat", word: "gel coat" },
  { value: "aluminium", word: "aluminium" },
  { value: "loose_paint", word: "loose paint" },
  { value: "rust", word: "rust" },
  { value: "silicone_residue", word: "traces of silicone" },
  { value: "polyethylene", word: "polyethylene, polypropylene" },
] as const;
export const LAWS = [
  { value: "sqrt", word: "slower the deeper (diffusion)" },
  { value: "linear", word: "evenly (as data sheets say)" },
] as const;
export const BELOW = [
  { value: "bow", word: "a bow" },
  { value: "loom", word: "a loom" },
  { value: "airbag", word: "a curtain airbag" },
  { value: "lining_wiring", word: "wiring over the lining" },
  { value: "other", word: "something else" },
] as const;
export const MEMBERS = [
  { value: "pillar", word: "a pillar or rib" },
  { value: "rail", word: "a rail along the wall" },
  { value: "cross_member", word: "a cross member" },
  { value: "chassis_rail", word: "a chassis rail" },
  { value: "belt_anchorage", word: "a belt or seat anchorage" },
  { value: "airbag", word: "an airbag" },
  { value: "loom", word: "a loom" },
  { value: "fuel_line", word: "a fuel line" },
  { value: "brake_line", word: "a brake line" },
  { value: "tank", word: "a tank" },
  { value: "other", word: "something else" },
] as const;
export const OWN_HOLES = [
  { value: "window", word: "Window" },
  { value: "vent", word: "Vent" },
  { value: "inlet", word: "Inlet" },
  { value: "filler", word: "Filler" },
  { value: "flue", word: "Flue" },
  { value: "intake", word: "Air intake" },
  { value: "drain", word: "Drain" },
  { value: "drop_vent", word: "Drop vent for gas" },
  { value: "cable", word: "Cable or pipe" },
  { value: "other", word: "Something else" },
] as const;
export const ROOF_OWN = [
  { value: "hatch", word: "Hatch", size: { length_m: 0.56, width_m: 0.56, height_m: 0.09, mass_kg: 6 } },
  { value: "gland", word: "Cable gland", size: { length_m: 0.1, width_m: 0.08, height_m: 0.04, mass_kg: 0.1 } },
  { value: "aerial", word: "Aerial", size: { length_m: 0.08, width_m: 0.08, height_m: 0.12, mass_kg: 0.3 } },
  { value: "vent", word: "Vent", size: { length_m: 0.2, width_m: 0.2, height_m: 0.06, mass_kg: 0.5 } },
  { value: "rail", word: "Rail", size: { length_m: 2, width_m: 0.05, height_m: 0.06, mass_kg: 3 } },
  { value: "box", word: "Roof box", size: { length_m: 1.3, width_m: 0.75, height_m: 0.35, mass_kg: 16 } },
  { value: "walkway", word: "Strip to walk on", size: { length_m: 1.5, width_m: 0.3, height_m: 0.003, mass_kg: 1 } },
  { value: "other", word: "Something else", size: { length_m: 0.3, width_m: 0.3, height_m: 0.1, mass_kg: 2 } },
] as const;
export const ROOF_CAUTION =
  "Roof work: scaffold or a tied ladder, never on the panels, never wet. Isocyanates and solvents: gloves, fresh air, no flame. After the first 20 km look at every bond again, then before every trip.";

export const STATES = { travel: "travelling", open: "standing open" };

/** The words of Layout and weight. */
import { says } from "../../words/fit";
export const VIEWS = {
  places: says("places"),
  ways: says("ways-2"),
  wall: says("behind-wall"),
  out: says("way-out"),
  roof: says("roof-3"),
  sides: says("sides-floor"),
  weight: says("weight-2"),
  measure: says("measure"),
} as const;
export const TURNS = [
  { value: "0", word: "0°" },
  { value: "90", word: says("left-2") },
  { value: "180", word: "180°" },
  { value: "270", word: says("right-3") },
] as const;
export const UPS = [
  { value: "top", word: says("top-up") },
  { value: "front", word: says("front-up") },
  { value: "rear", word: says("rear-up") },
  { value: "left", word: says("left-side-up") },
  { value: "right", word: says("right-side-up") },
  { value: "bottom", word: says("upside-down") },
] as const;
export const FIXINGS = [
  { value: "wood_screw_ply", word: says("wood-screws-mm-ply") },
  { value: "wood_screw_softwood", word: says("wood-screws-softwood") },
  { value: "self_tapping", word: says("self-tapping-screws-steel") },
  { value: "insert_m6", word: says("m6-threaded-inserts") },
  { value: "insert_m8", word: says("m8-threaded-inserts") },
  { value: "bolt_m6_plate", word: says("m6-bolts-plates") },
  { value: "bolt_m8_plate", word: says("m8-bolts-plates") },
] as const;
export const PORTS = [
  { value: "cable", word: says("cables-2") },
  { value: "water", word: says("pipes") },
  { value: "gas", word: says("gas-pipes") },
  { value: "air", word: says("ducts") },
] as const;
export const SIGNALS = [
  { value: "sensor", word: says("sender-probe") },
  { value: "shunt", word: says("shunt-display") },
  { value: "display", word: says("display-panel") },
  { value: "can", word: says("bus") },
  { value: "ethernet", word: says("ethernet") },
  { value: "coax", word: says("aerial") },
  { value: "usb", word: says("usb") },
  { value: "hdmi", word: says("hdmi") },
] as const;
export const BAY_KINDS = [
  { value: "living", word: says("living-space-2") },
  { value: "bench", word: says("bench") },
  { value: "kitchen_run", word: says("kitchen") },
  { value: "wardrobe", word: says("wardrobe") },
  { value: "overhead", word: says("overhead") },
  { value: "garage", word: says("garage") },
  { value: "cab", word: says("cab") },
  { value: "underfloor", word: says("under-floor") },
  { value: "roof", word: says("roof") },
  { value: "gas_locker", word: says("gas-locker") },
  { value: "outside_locker", word: says("outside-locker") },
  { value: "engine_bay", word: says("engine-space") },
  { value: "battery_box", word: says("battery-box") },
] as const;
export const THERMAL = [
  { value: "living", word: says("warm-living-space") },
  { value: "unheated", word: says("inside-unheated") },
  { value: "outside", word: says("cold-outside") },
] as const;
export const OBSTACLES = [
  { value: "wheel_arch", word: says("wheel-arch") },
  { value: "rib", word: says("rib-2") },
  { value: "frame_rail", word: says("frame-rail") },
  { value: "door_swing", word: says("swing-door") },
  { value: "step", word: says("step") },
  { value: "filler_pipe", word: says("filler-pipe") },
  { value: "engine_bay", word: says("engine-cover") },
  { value: "swept_volume", word: says("room-slide-out-folding") },
  { value: "seat", word: says("seat") },
  { value: "other", word: says("something-else") },
] as const;
export const SIDES = [
  { value: "left", word: says("left") },
  { value: "right", word: says("right-4") },
  { value: "rear", word: says("rear-3") },
  { value: "front", word: says("front") },
  { value: "roof", word: says("roof-4") },
] as const;
export const SCHOOLS = [
  { value: "interior_10g", word: says("g-every-way-among") },
  { value: "cargo_lashing", word: says("g-forward-load-hold") },
  { value: "marine_battery", word: says("g-every-way-afloat") },
] as const;
export const FROM = { typed: says("measured-typed"), part: says("part"), usual: says("usual-kind") } as const;
export const CAUTION = says("weights-estimates-until-weighed");
export const CUT = says("before-any-hole-look");
export const HELD = [
  { value: "profiles", word: says("two-bonded-profiles") },
  { value: "corner_feet", word: says("four-bonded-corner-feet") },
  { value: "perimeter", word: says("bonded-all-round") },
  { value: "bolts", word: says("bolts") },
  { value: "clamped", word: says("own-clamp") },
] as const;
export const ADHESIVES = [
  { value: "hybrid", word: says("hybrid-adhesive") },
  { value: "polyurethane", word: says("polyurethane-adhesive") },
  { value: "epoxy", word: says("two-part-epoxy") },
  { value: "foam_tape", word: says("acrylic-foam-tape") },
  { value: "silicone", word: says("silicone-seals-only") },
  { value: "butyl_tape", word: says("butyl-tape-seals-only") },
] as const;
export const SURFACES = [
  { value: "sound_paint", word: says("sound-paint") },
  { value: "bare_primed", word: says("bare-metal-primed") },
  { value: "gel_coat", word: says("gel-coat") },
  { value: "aluminium", word: says("aluminium") },
  { value: "loose_paint", word: says("loose-paint") },
  { value: "rust", word: says("rust") },
  { value: "silicone_residue", word: says("traces-silicone") },
  { value: "polyethylene", word: says("polyethylene-polypropylene") },
] as const;
export const LAWS = [
  { value: "sqrt", word: says("slower-deeper-diffusion") },
  { value: "linear", word: says("evenly-data-sheets-say") },
] as const;
export const BELOW = [
  { value: "bow", word: says("bow-2") },
  { value: "loom", word: says("loom") },
  { value: "airbag", word: says("curtain-airbag") },
  { value: "lining_wiring", word: says("wiring-over-lining") },
  { value: "other", word: says("something-else") },
] as const;
export const MEMBERS = [
  { value: "pillar", word: says("pillar-rib") },
  { value: "rail", word: says("rail-along-wall") },
  { value: "cross_member", word: says("cross-member") },
  { value: "chassis_rail", word: says("chassis-rail-2") },
  { value: "belt_anchorage", word: says("belt-seat-anchorage") },
  { value: "airbag", word: says("airbag") },
  { value: "loom", word: says("loom") },
  { value: "fuel_line", word: says("fuel-line") },
  { value: "brake_line", word: says("brake-line") },
  { value: "tank", word: says("tank") },
  { value: "other", word: says("something-else") },
] as const;
export const OWN_HOLES = [
  { value: "window", word: says("window") },
  { value: "vent", word: says("vent") },
  { value: "inlet", word: says("inlet") },
  { value: "filler", word: says("filler") },
  { value: "flue", word: says("flue") },
  { value: "intake", word: says("air-intake") },
  { value: "drain", word: says("drain") },
  { value: "drop_vent", word: says("drop-vent-gas") },
  { value: "cable", word: says("cable-pipe") },
  { value: "other", word: says("something-else-2") },
] as const;
export const ROOF_OWN = [
  { value: "hatch", word: says("hatch"), size: { length_m: 0.56, width_m: 0.56, height_m: 0.09, mass_kg: 6 } },
  { value: "gland", word: says("cable-gland"), size: { length_m: 0.1, width_m: 0.08, height_m: 0.04, mass_kg: 0.1 } },
  { value: "aerial", word: says("aerial-2"), size: { length_m: 0.08, width_m: 0.08, height_m: 0.12, mass_kg: 0.3 } },
  { value: "vent", word: says("vent"), size: { length_m: 0.2, width_m: 0.2, height_m: 0.06, mass_kg: 0.5 } },
  { value: "rail", word: says("rail"), size: { length_m: 2, width_m: 0.05, height_m: 0.06, mass_kg: 3 } },
  { value: "box", word: says("roof-box"), size: { length_m: 1.3, width_m: 0.75, height_m: 0.35, mass_kg: 16 } },
  { value: "walkway", word: says("strip-walk"), size: { length_m: 1.5, width_m: 0.3, height_m: 0.003, mass_kg: 1 } },
  { value: "other", word: says("something-else-2"), size: { length_m: 0.3, width_m: 0.3, height_m: 0.1, mass_kg: 2 } },
] as const;
export const ROOF_CAUTION = says("roof-work-scaffold-tied");

export const STATES = { travel: says("travelling"), open: says("standing-open") };
/** What a run or a way carries. */
export const SERVICE: Record<string, string> = {
  dc: says("low-voltage"),
  mains: says("mains"),
  data: says("signals"),
  water: says("water"),
  waste: says("waste-water"),
  gas: says("gas"),
  duct: says("warm-air"),
};

/** Words for the choices of the Wiring stage. */
import type { Schemas } from "../../data/client";

type Kind = Schemas["Circuit"]["kind"];
export const KIND_WORDS: Record<Kind, string> = {
  load: "circuit of appliances",
  ac: "mains circuit: licensed work",
  inverter: "feed of the inverter",
  solar: "from the solar controller",
  driving: "from the driving charger",
  driving_in: "from the starter battery to the charger",
  shore: "from the shore charger",
  feeder: "feeder of a board",
  main: "main, from the bank",
  trickle: "trickle for the starter battery",
};
export const KINDS = (Object.entries(KIND_WORDS) as [Kind, string][]).map(([value, word]) => ({ value, word: word.split(":")[0]! }));
export const PROTECTIONS = [
  { value: "fuse", word: "fuse" },
  { value: "breaker", word: "breaker" },
  { value: "none", word: "none" },
] as const;
export const FAMILIES = [
  { value: "", word: "the usual for it" },
  { value: "blade_standard", word: "blade" },
  { value: "blade_mini", word: "blade, mini" },
  { value: "blade_maxi", word: "blade, maxi" },
  { value: "bolt_sf30", word: "bolt-down, 30 mm" },
  { value: "bolt_sf51", word: "bolt-down, 51 mm" },
  { value: "strip", word: "slotted strip" },
  { value: "terminal_cube", word: "block on the post" },
  { value: "class_t", word: "high-interrupt cartridge" },
  { value: "cyl_10x38_gpv", word: "cylinder for panels, 10 × 38 mm" },
  { value: "thermal_breaker", word: "thermal breaker" },
  { value: "dc_mcb", word: "DC rail breaker" },
] as const;
export const BREAKER_MARKS = [
  { value: "dc", word: "DC, not polarised" },
  { value: "dc_polarised", word: "DC, polarised" },
  { value: "ac_only", word: "AC only" },
] as const;
export const NEGATIVES = [
  { value: "busbar", word: "the negative busbar" },
  { value: "post", word: "the battery post" },
] as const;
export const SCHOOLS = [
  { value: "vehicle", word: "vehicle practice" },
  { value: "marine", word: "marine practice" },
] as const;
export const BUS_LAYOUTS = [
  { value: "", word: "two with lithium, else one" },
  { value: "one", word: "one busbar" },
  { value: "two", word: "a charge and a load bus" },
] as const;
export const METRIC_SIZES = [0.5, 0.75, 1, 1.5, 2.5, 4, 6, 10, 16, 25, 35, 50, 70, 95, 120];
export const AWG_SIZES = ["20", "18", "16", "14", "12", "10", "8", "6", "4", "2", "1", "1/0", "2/0", "3/0", "4/0"];
export const DROP_CLASSES = [
  { value: "critical", word: "critical, 3 %" },
  { value: "non_critical", word: "non-critical, 10 %" },
  { value: "charging", word: "charging, 1.25 %" },
  { value: "feeder", word: "feeder, 1 %" },
  { value: "dcdc_input", word: "input of a DC-DC charger, 6 %" },
] as const;
export const INSULATIONS = [60, 70, 85, 90, 105, 125].map((c) => ({ value: String(c), word: `${c} °C` }));
export const INSTALLATIONS = [
  { value: "free_air", word: "in free air" },
  { value: "conduit", word: "in conduit" },
  { value: "against_insulation", word: "against insulation" },
] as const;
export const RACEWAY_KINDS = [
  { value: "conduit", word: "pipe" },
  { value: "trunking", word: "trunking" },
  { value: "open", word: "open, on clips" },
] as const;
export const SIGNALS = [
  { value: "display", word: "remote display" },
  { value: "ethernet", word: "Ethernet" },
  { value: "hdmi", word: "HDMI" },
  { value: "usb", word: "USB" },
  { value: "can", word: "bus of the vehicle kind" },
  { value: "coax", word: "antenna cable" },
  { value: "sensor", word: "sender or probe" },
  { value: "shunt", word: "shunt display" },
] as const;
export const ZONE_CONTROLS = [
  { value: "one", word: "one switch" },
  { value: "change_over", word: "two-way switches at two places" },
  { value: "latching", word: "push-buttons and a latching relay" },
] as const;
export const JOINTS = [
  { value: "none", word: "none: whole cable" },
  { value: "reachable", word: "one that can be reached" },
  { value: "behind_lining", word: "behind a fixed lining" },
] as const;
export const LABELLED = [
  { value: "", word: "not looked at yet" },
  { value: "both", word: "both ends" },
  { value: "near", word: "at the board only" },
  { value: "far", word: "at the far end only" },
  { value: "none", word: "neither end" },
] as const;
export const COVERED = [
  { value: "", word: "not entered" },
  { value: "yes", word: "yes" },
  { value: "no", word: "no" },
] as const;
export const NEGATIVE_COLOURS = [
  { value: "black", word: "black" },
  { value: "yellow", word: "yellow" },
] as const;
export const STUDS = [{ value: "", word: "not entered" }, ...[4, 5, 6, 8, 10, 12, 14].map((m) => ({ value: String(m), word: `M${m}` }))];
export const SHEDDING = [
  { value: "none", word: "nothing: it trips" },
  { value: "hand", word: "shed by hand" },
  { value: "relay", word: "shed by a relay" },
] as const;

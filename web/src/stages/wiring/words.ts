/** Words for the choices of the Wiring stage. */
import type { Schemas } from "../../data/client";
import { says } from "../../words/wiring";

type Kind = Schemas["Circuit"]["kind"];
export const KIND_WORDS: Record<Kind, string> = {
  load: says("circuit-appliances"),
  ac: says("mains-circuit-licensed-work"),
  inverter: says("feed-inverter"),
  solar: says("solar-controller"),
  driving: says("driving-charger"),
  driving_in: says("starter-battery-charger"),
  shore: says("shore-charger"),
  feeder: says("feeder-board"),
  main: says("main-bank"),
  trickle: says("trickle-starter-battery"),
};
export const KINDS = (Object.entries(KIND_WORDS) as [Kind, string][]).map(([value, word]) => ({ value, word: word.split(":")[0]! }));
export const PROTECTIONS = [
  { value: "fuse", word: says("fuse-2") },
  { value: "breaker", word: says("breaker") },
  { value: "none", word: says("none-2") },
] as const;
export const FAMILIES = [
  { value: "", word: says("usual-2") },
  { value: "blade_standard", word: says("blade") },
  { value: "blade_mini", word: says("blade-mini") },
  { value: "blade_maxi", word: says("blade-maxi") },
  { value: "bolt_sf30", word: says("bolt-down-mm") },
  { value: "bolt_sf51", word: says("bolt-down-mm-2") },
  { value: "strip", word: says("slotted-strip") },
  { value: "terminal_cube", word: says("block-post") },
  { value: "class_t", word: says("high-interrupt-cartridge") },
  { value: "cyl_10x38_gpv", word: says("cylinder-panels-mm") },
  { value: "thermal_breaker", word: says("thermal-breaker") },
  { value: "dc_mcb", word: says("dc-rail-breaker") },
] as const;
export const BREAKER_MARKS = [
  { value: "dc", word: says("dc-not-polarised") },
  { value: "dc_polarised", word: says("dc-polarised") },
  { value: "ac_only", word: says("ac-only") },
] as const;
export const NEGATIVES = [
  { value: "busbar", word: says("negative-busbar") },
  { value: "post", word: says("battery-post") },
] as const;
export const SCHOOLS = [
  { value: "vehicle", word: says("vehicle-practice") },
  { value: "marine", word: says("marine-practice") },
] as const;
export const BUS_LAYOUTS = [
  { value: "", word: says("two-lithium-else-one") },
  { value: "one", word: says("one-busbar") },
  { value: "two", word: says("charge-load-bus") },
] as const;
export const METRIC_SIZES = [0.5, 0.75, 1, 1.5, 2.5, 4, 6, 10, 16, 25, 35, 50, 70, 95, 120];
export const AWG_SIZES = ["20", "18", "16", "14", "12", "10", "8", "6", "4", "2", "1", "1/0", "2/0", "3/0", "4/0"];
export const DROP_CLASSES = [
  { value: "critical", word: says("critical") },
  { value: "non_critical", word: says("non-critical") },
  { value: "charging", word: says("charging") },
  { value: "feeder", word: says("feeder-3") },
  { value: "dcdc_input", word: says("input-dc-dc-charger") },
] as const;
export const INSULATIONS = [60, 70, 85, 90, 105, 125].map((c) => ({ value: String(c), word: `${c} °C` }));
export const INSTALLATIONS = [
  { value: "free_air", word: says("free-air") },
  { value: "conduit", word: says("conduit") },
  { value: "against_insulation", word: says("against-insulation") },
] as const;
export const RACEWAY_KINDS = [
  { value: "conduit", word: says("pipe") },
  { value: "trunking", word: says("trunking") },
  { value: "open", word: says("open-clips") },
] as const;
export const SIGNALS = [
  { value: "display", word: says("remote-display") },
  { value: "ethernet", word: says("ethernet") },
  { value: "hdmi", word: says("hdmi") },
  { value: "usb", word: says("usb") },
  { value: "can", word: says("bus-vehicle-kind") },
  { value: "coax", word: says("antenna-cable") },
  { value: "sensor", word: says("sender-probe") },
  { value: "shunt", word: says("shunt-display") },
] as const;
export const ZONE_CONTROLS = [
  { value: "one", word: says("one-switch") },
  { value: "change_over", word: says("two-way-switches-two") },
  { value: "latching", word: says("push-buttons-latching-relay") },
] as const;
export const JOINTS = [
  { value: "none", word: says("none-whole-cable") },
  { value: "reachable", word: says("one-can-reached") },
  { value: "behind_lining", word: says("behind-fixed-lining") },
] as const;
export const LABELLED = [
  { value: "", word: says("not-looked-yet") },
  { value: "both", word: says("both-ends") },
  { value: "near", word: says("board-only") },
  { value: "far", word: says("far-end-only") },
  { value: "none", word: says("neither-end") },
] as const;
export const COVERED = [
  { value: "", word: says("not-entered") },
  { value: "yes", word: says("yes") },
  { value: "no", word: says("no") },
] as const;
export const NEGATIVE_COLOURS = [
  { value: "black", word: says("black") },
  { value: "yellow", word: says("yellow") },
] as const;
export const STUDS = [{ value: "", word: says("not-entered") }, ...[4, 5, 6, 8, 10, 12, 14].map((m) => ({ value: String(m), word: `M${m}` }))];
export const SHEDDING = [
  { value: "none", word: says("nothing-trips") },
  { value: "hand", word: says("shed-hand") },
  { value: "relay", word: says("shed-relay") },
] as const;

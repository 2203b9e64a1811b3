/** The words of Build. */
import { says } from "../../words/build";
export const VIEWS = {
  today: says("today"),
  weeks: says("weeks"),
  tasks: says("tasks"),
  gates: says("gates"),
  shopping: says("shopping"),
  log: says("log-money"),
} as const;
export const HOURS = [
  { value: "evenings", word: says("evenings-saturdays") },
  { value: "weekends", word: says("weekends") },
  { value: "full_time", word: says("full-time") },
  { value: "own", word: says("hours-their-own") },
] as const;
export const LICENCES = [
  { value: "ac_electrician", word: says("electrician") },
  { value: "gas_fitter", word: says("gas-fitter") },
  { value: "vehicle_engineer", word: says("vehicle-engineer") },
] as const;
export const LICENCE_WORD: Record<string, string> = {
  none: "",
  ac_electrician: says("licensed-electrician"),
  gas_fitter: says("licensed-gas-fitter"),
  vehicle_engineer: says("vehicle-engineer"),
};
export const CABLES = [
  { value: "before_lining", word: says("behind-linings") },
  { value: "after_furniture", word: says("trunking-after-furniture") },
] as const;
export const FLOORS = [
  { value: "before_furniture", word: says("one-sheet-before-furniture") },
  { value: "after_furniture", word: says("round-furniture-after") },
] as const;
export const VAPOUR = [
  { value: "barrier", word: says("vapour-barrier") },
  { value: "none", word: says("none") },
] as const;
export const SHELL = [
  { value: "floor_first", word: says("floor-first") },
  { value: "walls_first", word: says("walls-first") },
] as const;
export const INSULATION = [
  { value: "after_first_fix", word: says("after-cables-pipes") },
  { value: "before_first_fix", word: says("before-them-whole-boards") },
] as const;
export const ESTIMATE = [
  { value: "triangular", word: says("their-long-tail") },
  { value: "beta", word: says("close-likely") },
] as const;
export const BUFFERS = [
  { value: "project", word: says("one-end") },
  { value: "tasks", word: says("every-task") },
] as const;
export const COMMISSIONING = [
  { value: "per_service", word: says("each-service-when-built") },
  { value: "at_end", word: says("all-end") },
] as const;
/** How the other way of a setting is called beside the chosen one. */
export const OTHER_WAY: Record<string, string> = {
  "cables/before_lining": says("cables-behind-linings"),
  "cables/after_furniture": says("cables-trunking"),
  "floor_finish/before_furniture": says("floor-before-furniture"),
  "floor_finish/after_furniture": says("floor-after-furniture"),
  "vapour/barrier": says("vapour-barrier-2"),
  "vapour/none": says("without-vapour-barrier"),
  "shell/floor_first": says("floor-before-walls"),
  "shell/walls_first": says("walls-before-floor"),
  "insulation/after_first_fix": says("insulation-after-cables-pipes"),
  "insulation/before_first_fix": says("insulation-before-cables-pipes"),
  "estimate/triangular": says("hours-their-long-tail"),
  "estimate/beta": says("hours-close-likely"),
  "buffers/project": says("one-reserve-end"),
  "buffers/tasks": says("reserve-every-task"),
  "commissioning/per_service": says("proving-each-service-when"),
  "commissioning/at_end": says("proving-all-end"),
};
export const ALSO = [
  ["awning", says("awning")],
  ["roof_rack", says("roof-rack")],
  ["swivel", says("swivel-seats")],
  ["belted_seat", says("belted-seat-living-space")],
  ["upholstery", says("cushions")],
  ["carpet", says("carpet-walls")],
  ["cavity_wax", says("cavity-wax")],
  ["antenna", says("aerial")],
  ["registration", says("registration-camper")],
] as const;
export const PHASES: Record<string, string> = {
  plan: says("plan-3"),
  strip: says("strip"),
  openings: says("openings"),
  roof: says("roof"),
  shell: says("shell"),
  first_fix: says("first-fix"),
  close: says("insulate-line"),
  furniture: says("furniture"),
  second_fix: says("second-fix"),
  wet: says("water"),
  gas: says("gas"),
  commission: says("commissioning"),
  finish: says("finish"),
};
export const ZONES: Record<string, string> = {
  roof: says("roof-2"),
  ceiling: says("ceiling"),
  wall_left: says("left-wall"),
  wall_right: says("right-wall"),
  floor: says("floor-2"),
  doors: says("doors"),
  equipment_box: says("equipment"),
  cabinet: says("cabinets"),
  vehicle: says("vehicle"),
};
export const PPE: Record<string, string> = {
  glasses: says("glasses"),
  gloves: says("gloves"),
  mask: says("dust-mask"),
  ear: says("ear-protection"),
  full_mask: says("full-face-mask"),
  suit: says("suit"),
};
export const CHECKS: Record<string, string> = {
  "not-done": says("not-done"),
  "not-tested": says("not-tested"),
  "hidden-joint": says("joint-out-reach"),
  "not-labelled": says("no-label"),
  "no-photo": says("no-photograph"),
};
export const BOUGHT: Record<string, string> = {
  planned: says("buy"),
  stock: says("stock-6"),
  ordered: says("ordered-2"),
  received: says("here-3"),
  used: says("here-log"),
  fitted: says("cut-fitted-2"),
  returned: says("sent-back"),
  spare: says("spare-3"),
};
export const CAUTION = says("rings-watches-off-near");

export const TASK_STATES: Record<string, string> = { open: says("state-open"), begun: says("state-begun"), done: says("state-done") };

const SERVICES: Record<string, string> = {
  power: says("service-of-power"),
  wiring: says("service-of-wiring"),
  warmth: says("service-of-warmth"),
  water: says("service-of-water"),
  gas: says("service-of-gas"),
  body: says("service-of-body"),
  furniture: says("service-of-furniture"),
  appliances: says("service-of-appliances"),
  workshop: says("service-of-workshop"),
  vehicle: says("service-of-vehicle"),
  fit: says("service-of-fit"),
  paper: says("service-of-paper"),
};
/** What a service is called. */
export const serviceWord = (service: string): string => SERVICES[service] ?? service;

const BEHIND: Record<string, string> = {
  ac_cable: says("behind-ac-cable"),
  dc_cable: says("behind-dc-cable"),
  data_cable: says("behind-data-cable"),
  conduit: says("behind-conduit"),
  gas_pipe: says("behind-gas-pipe"),
  flue: says("behind-flue"),
  water_pipe: says("behind-water-pipe"),
  waste_pipe: says("behind-waste-pipe"),
  duct: says("behind-duct"),
  sensor: says("behind-sensor"),
  anchor: says("behind-anchor"),
  rust_treatment: says("behind-rust-treatment"),
  sealed_opening: says("behind-sealed-opening"),
  insulation: says("behind-insulation"),
  vapour_barrier: says("behind-vapour-barrier"),
  deadening: says("behind-deadening"),
  fuel_line: says("behind-fuel-line"),
  coolant_hose: says("behind-coolant-hose"),
  heating_mat: says("behind-heating-mat"),
  aerial_lead: says("behind-aerial-lead"),
};
/** What lies behind a surface, by its kind. */
export const behindWord = (kind: string): string => BEHIND[kind] ?? kind;

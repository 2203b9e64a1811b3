/** The words of Build. */
export const VIEWS = { today: "Today", weeks: "Weeks", tasks: "Tasks", gates: "Gates", shopping: "Shopping", log: "Log and money" } as const;
export const HOURS = [
  { value: "evenings", word: "evenings and Saturdays" },
  { value: "weekends", word: "weekends" },
  { value: "full_time", word: "full time" },
  { value: "own", word: "hours of their own" },
] as const;
export const LICENCES = [
  { value: "ac_electrician", word: "electrician" },
  { value: "gas_fitter", word: "gas fitter" },
  { value: "vehicle_engineer", word: "vehicle engineer" },
] as const;
export const LICENCE_WORD: Record<string, string> = {
  none: "",
  ac_electrician: "licensed electrician",
  gas_fitter: "licensed gas fitter",
  vehicle_engineer: "vehicle engineer",
};
export const CABLES = [
  { value: "before_lining", word: "behind the linings" },
  { value: "after_furniture", word: "in trunking, after the furniture" },
] as const;
export const FLOORS = [
  { value: "before_furniture", word: "one sheet, before the furniture" },
  { value: "after_furniture", word: "round the furniture, after it" },
] as const;
export const VAPOUR = [
  { value: "barrier", word: "a vapour barrier" },
  { value: "none", word: "none" },
] as const;
export const SHELL = [
  { value: "floor_first", word: "the floor first" },
  { value: "walls_first", word: "the walls first" },
] as const;
export const INSULATION = [
  { value: "after_first_fix", word: "after cables and pipes" },
  { value: "before_first_fix", word: "before them, in whole boards" },
] as const;
export const ESTIMATE = [
  { value: "triangular", word: "with their long tail" },
  { value: "beta", word: "close to the likely" },
] as const;
export const BUFFERS = [
  { value: "project", word: "one, at the end" },
  { value: "tasks", word: "in every task" },
] as const;
export const COMMISSIONING = [
  { value: "per_service", word: "each service when it is built" },
  { value: "at_end", word: "all at the end" },
] as const;
/** How the other way of a setting is called beside the chosen one. */
export const OTHER_WAY: Record<string, string> = {
  "cables/before_lining": "cables behind the linings",
  "cables/after_furniture": "cables in trunking",
  "floor_finish/before_furniture": "floor before the furniture",
  "floor_finish/after_furniture": "floor after the furniture",
  "vapour/barrier": "with a vapour barrier",
  "vapour/none": "without a vapour barrier",
  "shell/floor_first": "the floor before the walls",
  "shell/walls_first": "the walls before the floor",
  "insulation/after_first_fix": "insulation after cables and pipes",
  "insulation/before_first_fix": "insulation before cables and pipes",
  "estimate/triangular": "hours with their long tail",
  "estimate/beta": "hours close to the likely",
  "buffers/project": "one reserve at the end",
  "buffers/tasks": "a reserve in every task",
  "commissioning/per_service": "proving each service when it is built",
  "commissioning/at_end": "proving all at the end",
};
export const ALSO = [
  ["awning", "an awning"],
  ["roof_rack", "a roof rack"],
  ["swivel", "swivel seats"],
  ["belted_seat", "a belted seat in the living space"],
  ["upholstery", "cushions"],
  ["carpet", "carpet on the walls"],
  ["cavity_wax", "cavity wax"],
  ["antenna", "an aerial"],
  ["registration", "registration as a camper"],
] as const;
export const PHASES: Record<string, string> = {
  plan: "plan",
  strip: "strip",
  openings: "openings",
  roof: "roof",
  shell: "shell",
  first_fix: "first fix",
  close: "insulate and line",
  furniture: "furniture",
  second_fix: "second fix",
  wet: "water",
  gas: "gas",
  commission: "commissioning",
  finish: "finish",
};
export const ZONES: Record<string, string> = {
  roof: "Roof",
  ceiling: "Ceiling",
  wall_left: "Left wall",
  wall_right: "Right wall",
  floor: "Floor",
  doors: "Doors",
  equipment_box: "Equipment",
  cabinet: "Cabinets",
  vehicle: "Vehicle",
};
export const PPE: Record<string, string> = {
  glasses: "glasses",
  gloves: "gloves",
  mask: "dust mask",
  ear: "ear protection",
  full_mask: "full-face mask",
  suit: "suit",
};
export const CHECKS: Record<string, string> = {
  "not-done": "not done",
  "not-tested": "not tested",
  "hidden-joint": "joint out of reach",
  "not-labelled": "no label",
  "no-photo": "no photograph",
};
export const BOUGHT: Record<string, string> = {
  planned: "to buy",
  stock: "in stock",
  ordered: "ordered",
  received: "here",
  used: "here, by the log",
  fitted: "cut and fitted",
  returned: "sent back",
  spare: "spare",
};
export const CAUTION =
  "Rings and watches off near batteries; the main fuse stays out until the dead tests are passed. No flame and no glow heater near solvents. Axle stands, never a jack alone. An extinguisher within reach from the first cut. Mains, gas, seats and belts: by whom your region allows.";

/** The twelve stages in the order of the work. `built` ones have a page; the others stand plainly marked. */
export type StageId = "vehicle" | "life" | "power" | "trips" | "wiring" | "warmth" | "water" | "gas" | "fit" | "build" | "prove" | "handover";
export type Stage = { id: StageId; word: string; key: string; question: string; built: boolean };

export const STAGES: Stage[] = [
  { id: "vehicle", word: "Vehicle", key: "1", question: "What are we working with?", built: true },
  { id: "life", word: "Life", key: "2", question: "Who lives in it, where, how?", built: true },
  { id: "power", word: "Power", key: "3", question: "Is there enough, and what limits it?", built: true },
  { id: "trips", word: "Trips", key: "4", question: "Will it last?", built: true },
  { id: "wiring", word: "Wiring", key: "5", question: "Which cable, which fuse, which way?", built: true },
  { id: "warmth", word: "Warmth", key: "6", question: "Warm, dry and cool for how much?", built: true },
  { id: "water", word: "Water", key: "7", question: "How many days, and does the shower run?", built: true },
  { id: "gas", word: "Gas", key: "8", question: "Is it enough, and is it safe?", built: true },
  { id: "fit", word: "Fit", key: "9", question: "Where does it go, and what does it weigh?", built: false },
  { id: "build", word: "Build", key: "0", question: "What next, and when is it done?", built: false },
  { id: "prove", word: "Prove", key: "-", question: "Does it do what the design says?", built: true },
  { id: "handover", word: "Hand over", key: "=", question: "What goes with the vehicle?", built: false },
];

/** The stage on which an item of the design is worked on. */
export function stageOf(subject: string, stage: string): StageId {
  return STAGES.some((s) => s.id === stage) ? (stage as StageId) : subject === "vehicle" ? "vehicle" : "power";
}

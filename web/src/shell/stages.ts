/** The twelve stages in the order of the work: the one place of the front end that names them all. A new one is a folder beside the others, and a line here. */
import type { ReactNode } from "react";

export type StageId = "vehicle" | "life" | "power" | "trips" | "wiring" | "warmth" | "water" | "gas" | "fit" | "build" | "prove" | "handover";
/** A stage: its word, the key that opens it, its question, and its page; without a page it stands in the path as not built yet. */
export type Stage = { id: StageId; word: string; key: string; question: string; page?: () => Promise<{ Component: () => ReactNode }> };

export const STAGES: Stage[] = [
  { id: "vehicle", word: "Vehicle", key: "1", question: "What are we working with?", page: () => import("../stages/vehicle/Vehicle") },
  { id: "life", word: "Daily use", key: "2", question: "Who lives in it, where, how?", page: () => import("../stages/life/Life") },
  { id: "power", word: "Power", key: "3", question: "Is there enough, and what limits it?", page: () => import("../stages/power/Power") },
  { id: "trips", word: "Trips", key: "4", question: "Will it last?", page: () => import("../stages/trips/Trips") },
  { id: "wiring", word: "Wiring", key: "5", question: "Which cable, which fuse, which way?", page: () => import("../stages/wiring/Wiring") },
  { id: "warmth", word: "Heat and air", key: "6", question: "Warm, dry and cool for how much?", page: () => import("../stages/warmth/Warmth") },
  { id: "water", word: "Water", key: "7", question: "How many days, and does the shower run?", page: () => import("../stages/water/Water") },
  { id: "gas", word: "Gas", key: "8", question: "Is it enough, and is it safe?", page: () => import("../stages/gas/Gas") },
  { id: "fit", word: "Layout and weight", key: "9", question: "Where does it go, and what does it weigh?", page: () => import("../stages/fit/Fit") },
  { id: "build", word: "Build", key: "0", question: "What next, and when is it done?", page: () => import("../stages/build/Build") },
  { id: "prove", word: "Test", key: "-", question: "Does it do what the design says?", page: () => import("../stages/prove/Prove") },
  { id: "handover", word: "Hand over", key: "=", question: "What goes with the vehicle?", page: () => import("../stages/handover/Handover") },
];

/** The stage on which an item of the design is worked on. */
export function stageOf(subject: string, stage: string): StageId {
  return STAGES.some((s) => s.id === stage) ? (stage as StageId) : subject === "vehicle" ? "vehicle" : "power";
}

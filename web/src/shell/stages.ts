/** The twelve stages in the order of the work: the one place of the front end that names them all. A new one is a folder beside the others, and a line here. */
import type { ReactNode } from "react";
import { says } from "../words/shell";

export type StageId = "vehicle" | "life" | "power" | "trips" | "wiring" | "warmth" | "water" | "gas" | "fit" | "build" | "prove" | "handover";
/** A stage: its word, the key that opens it, its question, and its page; without a page it stands in the path as not built yet. */
export type Stage = { id: StageId; word: string; key: string; question: string; page?: () => Promise<{ Component: () => ReactNode }> };

export const STAGES: Stage[] = [
  { id: "vehicle", word: says("vehicle"), key: "1", question: says("what-we-working"), page: () => import("../stages/vehicle/Vehicle") },
  { id: "life", word: says("daily-use"), key: "2", question: says("who-lives-where-how"), page: () => import("../stages/life/Life") },
  { id: "power", word: says("power"), key: "3", question: says("there-enough-what-limits"), page: () => import("../stages/power/Power") },
  { id: "trips", word: says("trips"), key: "4", question: says("will-last"), page: () => import("../stages/trips/Trips") },
  { id: "wiring", word: says("wiring"), key: "5", question: says("which-cable-which-fuse"), page: () => import("../stages/wiring/Wiring") },
  { id: "warmth", word: says("heat-air"), key: "6", question: says("warm-dry-cool-how"), page: () => import("../stages/warmth/Warmth") },
  { id: "water", word: says("water"), key: "7", question: says("how-many-days-does"), page: () => import("../stages/water/Water") },
  { id: "gas", word: says("gas"), key: "8", question: says("enough-safe"), page: () => import("../stages/gas/Gas") },
  { id: "fit", word: says("layout-weight"), key: "9", question: says("where-does-go-what"), page: () => import("../stages/fit/Fit") },
  { id: "build", word: says("build"), key: "0", question: says("what-next-when-done"), page: () => import("../stages/build/Build") },
  { id: "prove", word: says("test"), key: "-", question: says("does-do-what-design"), page: () => import("../stages/prove/Prove") },
  { id: "handover", word: says("hand-over"), key: "=", question: says("what-goes-vehicle"), page: () => import("../stages/handover/Handover") },
];

/** The stage on which an item of the design is worked on. */
export function stageOf(subject: string, stage: string): StageId {
  return STAGES.some((s) => s.id === stage) ? (stage as StageId) : subject === "vehicle" ? "vehicle" : "power";
}

/** Devices drawn on a line of a diagram, around their own middle. One table for all pictures. */
import type { Schemas } from "../data/client";

type Kind = Schemas["DiagramMark"]["kind"];
type Look = { path?: string; letters?: string; ring?: boolean; square?: boolean };
const BARS = "M-2 -5v10M2 -5v10";
export const MARKS: Record<Kind, Look> = {
  fuse: { path: BARS },
  breaker: { path: `${BARS}M-4 5L4 -5` },
  isolator: { ring: true, path: "M-4 4L4 -4" },
  switch: { ring: true },
  relay: { square: true },
  shunt: { letters: "S" },
  rcd: { letters: "RD" },
  transfer: { letters: "CO" },
  chassis: { path: "M-6 0h12M-4 3h8M-2 6h4" },
};

/** The views of Trips: the trip itself, the search for parts, supplies side by side, places and their weather, what was measured. */
import { useStageView } from "../../shell/views";
import { says } from "../../words/trips";

export const VIEWS = {
  trip: says("trip-3"),
  parts: says("find-parts"),
  beside: says("side-side"),
  places: says("places"),
  measured: says("measured"),
} as const;
export type View = keyof typeof VIEWS;

export const useView = () => useStageView(VIEWS);

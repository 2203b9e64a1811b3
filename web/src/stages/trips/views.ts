/** The views of Trips: the trip itself, the search for parts, supplies side by side, places and their weather, what was measured. */
import { useStageView } from "../../shell/views";

export const VIEWS = { trip: "Trip", parts: "Find parts", beside: "Side by side", places: "Places", measured: "Measured" } as const;
export type View = keyof typeof VIEWS;

export const useView = () => useStageView(VIEWS);

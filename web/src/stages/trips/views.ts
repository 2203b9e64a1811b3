/** The views of Trips, kept in the address: the trip itself, the search for parts, supplies side by side, places and their weather, what was measured. */
import { useCallback } from "react";
import { useSearchParams } from "react-router";

export const VIEWS = { trip: "Trip", parts: "Find parts", beside: "Side by side", places: "Places", measured: "Measured" } as const;
export type View = keyof typeof VIEWS;

export function useView(): { view: View; turnTo: (view: View) => void } {
  const [params, setParams] = useSearchParams();
  const asked = params.get("view") ?? "trip";
  const view: View = asked in VIEWS ? (asked as View) : "trip";
  const turnTo = useCallback(
    (next: View) =>
      setParams((p) => {
        if (next === "trip") p.delete("view");
        else p.set("view", next);
        p.delete("hand");
        return p;
      }),
    [setParams],
  );
  return { view, turnTo };
}

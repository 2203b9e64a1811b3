/** The views of a stage, kept in the address (?view=ducts); the first one is there without it. */
import { useCallback } from "react";
import { useSearchParams } from "react-router";

export type Views = Record<string, string>;

export function useStageView<V extends Views>(views: V): { view: keyof V & string; turnTo: (view: keyof V & string) => void } {
  const [params, setParams] = useSearchParams();
  const first = Object.keys(views)[0] as keyof V & string;
  const asked = params.get("view") ?? first;
  const view = (asked in views ? asked : first) as keyof V & string;
  const turnTo = useCallback(
    (next: keyof V & string) =>
      setParams((p) => {
        if (next === first) p.delete("view");
        else p.set("view", next);
        p.delete("hand");
        return p;
      }),
    [setParams, first],
  );
  return { view, turnTo };
}

/** The views of a stage, kept in the address (?view=ducts); the first one is there without it. */
import { useCallback, useEffect } from "react";
import { useLocation, useSearchParams } from "react-router";
import { useVariant } from "../data/variant";

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

/** The view of a stage; a jump to a finding turns to the one on which what it is about is worked on. */
export function useFindingsView<V extends Views>(views: V, viewOf: (subject: string) => keyof V & string): keyof V & string {
  const { view, turnTo } = useStageView(views);
  const { report } = useVariant();
  const { state, key } = useLocation();
  const asked = (state as { finding?: string } | null)?.finding;
  const finding = asked ? report.findings.find((f) => f.id === asked) : undefined;
  const wanted = finding ? viewOf(finding.subject) : null;
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each jump to a finding, not when the person turns to another view
  useEffect(() => {
    if (wanted && wanted !== view) turnTo(wanted);
  }, [wanted, key]);
  return view;
}

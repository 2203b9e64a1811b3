/** Stage 7, Water: how many days, and does the shower run? */
import { useEffect } from "react";
import { useLocation } from "react-router";
import { useVariant } from "../../data/variant";
import { useStageView } from "../../shell/views";
import { CareView } from "./CareView";
import { DaysView } from "./DaysView";
import { HotView } from "./HotView";
import { TanksView } from "./TanksView";
import { TapsView } from "./TapsView";
import { VIEWS } from "./words";

/** The view on which what a finding is about is worked on. */
export function viewOf(subject: string): keyof typeof VIEWS {
  const kind = subject.split(":")[0] ?? "";
  if (["tank", "join"].includes(kind)) return "tanks";
  if (["run", "pump", "filter", "hookup"].includes(kind)) return "taps";
  if (["hot", "drain", "pipe", "shower"].includes(kind)) return kind === "shower" ? "care" : "hot";
  if (["care", "test", "tests"].includes(kind)) return "care";
  return "days";
}

export function Component() {
  const { view, turnTo } = useStageView(VIEWS);
  const { report } = useVariant();
  const { state, key } = useLocation();
  const asked = (state as { finding?: string } | null)?.finding;
  const finding = asked ? report.findings.find((f) => f.id === asked) : undefined;
  const wanted = finding ? viewOf(finding.subject) : null;
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each jump to a finding, not when the person turns to another view
  useEffect(() => {
    if (wanted && wanted !== view) turnTo(wanted);
  }, [wanted, key]);
  const View = { days: DaysView, tanks: TanksView, taps: TapsView, hot: HotView, care: CareView }[view];
  return <View />;
}

/** Stage 6, Warmth: warm, dry and cool for how much? */
import { useEffect } from "react";
import { useLocation } from "react-router";
import { useVariant } from "../../data/variant";
import { useStageView } from "../../shell/views";
import { AirView } from "./AirView";
import { DuctsView } from "./DuctsView";
import { HeatingView } from "./HeatingView";
import { ShellView } from "./ShellView";
import { SummerView } from "./SummerView";
import { VIEWS } from "./words";

/** The view on which what a finding is about is worked on. */
export function viewOf(subject: string): keyof typeof VIEWS {
  const kind = subject.split(":")[0] ?? "";
  if (kind.startsWith("heater")) return "heating";
  if (["duct", "ducts", "loop", "loopzone", "drying"].includes(kind)) return "ducts";
  if (["vent", "air", "alarm"].includes(kind)) return "air";
  if (["cool", "cooler", "cabinet", "bay"].includes(kind)) return "summer";
  return "shell";
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
  const View = { shell: ShellView, heating: HeatingView, ducts: DuctsView, air: AirView, summer: SummerView }[view];
  return <View />;
}

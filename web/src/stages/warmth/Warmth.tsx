/** Stage 6, Warmth: warm, dry and cool for how much? */
import { useFindingsView } from "../../shell/views";
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
  const View = { shell: ShellView, heating: HeatingView, ducts: DuctsView, air: AirView, summer: SummerView }[useFindingsView(VIEWS, viewOf)];
  return <View />;
}

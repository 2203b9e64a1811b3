/** Stage 7, Water: how many days, and does the shower run? */
import { useFindingsView } from "../../shell/views";
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
  const View = { days: DaysView, tanks: TanksView, taps: TapsView, hot: HotView, care: CareView }[useFindingsView(VIEWS, viewOf)];
  return <View />;
}

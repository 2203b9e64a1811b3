/** Stage 8, Gas: is it enough, and is it safe? */
import { useFindingsView } from "../../shell/views";
import { CookingView } from "./CookingView";
import { LockerView } from "./LockerView";
import { PapersView } from "./PapersView";
import { PipesView } from "./PipesView";
import { UseView } from "./UseView";
import { VesselsView } from "./VesselsView";
import { VIEWS } from "./words";

/** The view on which what a finding is about is worked on. */
export function viewOf(subject: string): keyof typeof VIEWS {
  const kind = subject.split(":")[0] ?? "";
  if (["vessel", "country", "gas"].includes(kind)) return "vessels";
  if (["locker", "gas-vent", "low", "room", "gas-alarm"].includes(kind)) return "locker";
  if (["gas-run", "hose", "regulator", "solenoid"].includes(kind)) return "pipes";
  if (kind === "cooking") return "cooking";
  if (["papers", "gas-test", "gas-tests", "check"].includes(kind)) return "papers";
  return "use";
}

export function Component() {
  const View = { use: UseView, vessels: VesselsView, locker: LockerView, pipes: PipesView, cooking: CookingView, papers: PapersView }[
    useFindingsView(VIEWS, viewOf)
  ];
  return <View />;
}

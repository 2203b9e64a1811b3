/** The slate of Wiring: the circuit, board or panel in hand, or the stage's findings. */

import { useVariant } from "../../data/variant";
import { FindingList } from "../../parts/Findings";
import { useHand } from "../../shell/hand";
import { useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { says } from "../../words/wiring";
import { BoardSlate } from "./BoardSlate";
import { CircuitSlate } from "./CircuitSlate";
import { useWiringEdits } from "./edit";
import { MainsSide } from "./MainsSide";
import { Making } from "./Making";
import { Network } from "./Network";
import { PanelSlate } from "./PanelSlate";
import { RacewaySlate } from "./Raceways";
import { ZoneSlate } from "./Zones";

export function WiringSlate() {
  const say = useSaid();
  const { report, design } = useVariant();
  const { circuits, boards } = useWiringEdits();
  const hand = useHand();
  const c = hand.kind === "circuit" ? circuits.find((x) => x.id === hand.id) : undefined;
  if (c) return <CircuitSlate c={c} />;
  if (hand.kind === "panel") return <PanelSlate />;
  const r = hand.kind === "raceway" ? design.wiring?.raceways?.find((x) => x.id === hand.id) : undefined;
  if (r) return <RacewaySlate r={r} />;
  const z = hand.kind === "zone" ? design.wiring?.zones?.find((x) => x.id === hand.id) : undefined;
  if (z) return <ZoneSlate z={z} />;
  const b = hand.kind === "board" ? boards.find((x) => x.id === hand.id) : undefined;
  if (b) return <BoardSlate b={b} />;
  return (
    <Slate title={says("wiring")} sub={says("circuits-boards", { circuits_count: circuits.length, boards_count: boards.length })}>
      <p className="my-1 border-l-2 border-[#f08a70] pl-2 text-[12px]">{says("fuse-first-source-no", { licensed: say(report.licensed) })}</p>
      <FindingList
        findings={report.findings.filter((f) => f.stage === "wiring")}
        empty={circuits.length ? says("no-finding-every-circuit") : says("no-circuit-yet-nothing")}
      />
      {circuits.length > 0 && <Network />}
      {circuits.length > 0 && <Making />}
      <MainsSide />
    </Slate>
  );
}

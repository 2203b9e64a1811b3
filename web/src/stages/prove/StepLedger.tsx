/** The steps of the ladder in their order: what to do, what is right, what was recorded. */
import { useCallback } from "react";
import { type Column, Ledger } from "../../parts/Ledger";
import { useHand } from "../../shell/hand";
import { useSaid } from "../../shell/person";
import { type Commissioning, rightOf, STATES, type Step } from "./data";
import { StateMark } from "./marks";

export function StepLedger({ c, rung }: { c: Commissioning; rung: string | null }) {
  const hand = useHand();
  const say = useSaid();
  const rows = rung ? c.steps.filter((s) => s.stage === rung) : c.steps;
  const id = useCallback((s: Step) => s.id, []);
  const columns: Column<Step>[] = [
    { key: "stage", label: "stage", width: "6%", kind: "computed", show: (s) => s.stage.toUpperCase() },
    {
      key: "title",
      label: "step",
      width: "40%",
      kind: "computed",
      show: (s) => <span className="font-sans text-peat">{say(s.title, "wiring")}</span>,
      title: (s) => s.how,
    },
    { key: "right", label: "right", width: "17%", kind: "computed", show: (s) => rightOf(s) },
    { key: "said", label: "read", width: "17%", kind: "computed", show: (s) => <span className="text-peat">{s.said}</span>, title: (s) => s.why },
    {
      key: "state",
      label: "state",
      width: "12%",
      kind: "computed",
      title: (s) => s.why,
      show: (s) => (
        <span className="font-sans text-peat">
          <StateMark state={s.state} size={12} /> {STATES[s.state]}
        </span>
      ),
    },
    { key: "by", label: "by", width: "8%", kind: "computed", show: (s) => <span className="font-sans">{s.licensed && !s.by ? "licensed" : s.by}</span> },
  ];
  return (
    <Ledger
      label="Steps"
      rows={rows}
      columns={columns}
      id={id}
      selected={hand.kind === "step" ? hand.id : undefined}
      onSelect={(s) => hand.pick("step", s.id)}
      empty="Nothing to prove yet: the steps follow from what is in the design."
    />
  );
}

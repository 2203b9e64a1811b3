/** The steps of the ladder in their order: what to do, what is right, what was recorded. */
import { useCallback } from "react";
import { useVariant } from "../../data/variant";
import { Fig } from "../../parts/Fig";
import { type Column, Ledger } from "../../parts/Ledger";
import { useHand } from "../../shell/hand";
import { useSaid } from "../../shell/person";
import { type Commissioning, figuresOf, rightOf, STATES, type Step } from "./data";
import { StateMark } from "./marks";

export function StepLedger({ c, rung }: { c: Commissioning; rung: string | null }) {
  const hand = useHand();
  const say = useSaid();
  const { report } = useVariant();
  const rows = rung ? c.steps.filter((s) => s.stage === rung) : c.steps;
  const id = useCallback((s: Step) => s.id, []);
  const columns: Column<Step>[] = [
    { key: "stage", label: "stage", width: "6%", kind: "computed", show: (s) => s.stage.toUpperCase() },
    {
      key: "title",
      label: "step",
      width: "31%",
      kind: "computed",
      show: (s) => <span className="font-sans text-peat">{say(s.title, "wiring")}</span>,
      title: (s) => say(s.how, "wiring"),
    },
    {
      key: "expected",
      label: "expect",
      width: "11%",
      align: "right",
      kind: "computed",
      show: (s) => {
        const [k] = figuresOf(s);
        return k && report.figures[k] ? <Fig k={k} /> : s.expected == null ? "" : say(`${Number(s.expected.toPrecision(3))} ${s.unit}`, "wiring");
      },
    },
    { key: "right", label: "right", width: "18%", kind: "computed", show: (s) => say(rightOf(s), "wiring") },
    {
      key: "said",
      label: "read",
      width: "16%",
      kind: "computed",
      show: (s) => <span className="text-peat">{say(s.said, "wiring")}</span>,
      title: (s) => say(s.why, "wiring"),
    },
    {
      key: "state",
      label: "state",
      width: "11%",
      kind: "computed",
      title: (s) => s.why,
      show: (s) => (
        <span className="font-sans text-peat">
          <StateMark state={s.state} size={12} /> {STATES[s.state]}
        </span>
      ),
    },
    { key: "by", label: "by", width: "7%", kind: "computed", show: (s) => <span className="font-sans">{s.licensed && !s.by ? "licensed" : s.by}</span> },
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

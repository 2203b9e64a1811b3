/** The steps of the ladder in their order: what to do, what is right, what was recorded. */
import { useCallback } from "react";
import { useVariant } from "../../data/variant";
import { Fig } from "../../parts/Fig";
import { type Column, Ledger } from "../../parts/Ledger";
import { useHand } from "../../shell/hand";
import { useSaid } from "../../shell/person";
import { says } from "../../words/prove";
import { type Commissioning, figuresOf, rightOf, STATES, type Step } from "./data";
import { StateMark } from "./marks";

export function StepLedger({ c, rung }: { c: Commissioning; rung: string | null }) {
  const hand = useHand();
  const say = useSaid();
  const { report } = useVariant();
  const rows = rung ? c.steps.filter((s) => s.stage === rung) : c.steps;
  const id = useCallback((s: Step) => s.id, []);
  const columns: Column<Step>[] = [
    { key: "stage", label: says("stage"), width: "6%", kind: "computed", show: (s) => s.stage.toUpperCase() },
    {
      key: "title",
      label: says("step"),
      width: "31%",
      kind: "computed",
      show: (s) => <span className="font-sans text-peat">{say(s.title, "wiring")}</span>,
      title: (s) => say(s.how, "wiring"),
    },
    {
      key: "expected",
      label: says("expect"),
      width: "11%",
      align: "right",
      kind: "computed",
      show: (s) => {
        const [k] = figuresOf(s);
        return k && report.figures[k] ? <Fig k={k} /> : s.expected == null ? "" : say(`${Number(s.expected.toPrecision(3))} ${s.unit}`, "wiring");
      },
    },
    { key: "right", label: says("right-2"), width: "18%", kind: "computed", show: (s) => say(rightOf(s), "wiring") },
    {
      key: "said",
      label: says("read-2"),
      width: "16%",
      kind: "computed",
      show: (s) => <span className="text-peat">{say(s.said, "wiring")}</span>,
      title: (s) => say(s.why, "wiring"),
    },
    {
      key: "state",
      label: says("state"),
      width: "11%",
      kind: "computed",
      title: (s) => s.why,
      show: (s) => (
        <span className="font-sans text-peat">
          <StateMark state={s.state} size={12} /> {STATES[s.state]}
        </span>
      ),
    },
    {
      key: "by",
      label: says("by"),
      width: "7%",
      kind: "computed",
      show: (s) => <span className="font-sans">{s.licensed && !s.by ? says("licensed") : s.by}</span>,
    },
  ];
  return (
    <Ledger
      label={says("steps")}
      rows={rows}
      columns={columns}
      id={id}
      selected={hand.kind === "step" ? hand.id : undefined}
      onSelect={(s) => hand.pick("step", s.id)}
      empty={says("nothing-prove-yet-steps")}
    />
  );
}

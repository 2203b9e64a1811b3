/** All tasks in the order of the work, with their dates; one's own are added here. */

import { ItemMark } from "../../parts/Findings";
import { type Column, Ledger } from "../../parts/Ledger";
import { useHand } from "../../shell/hand";
import { useSaid } from "../../shell/person";
import { useSite } from "../../shell/useSite";
import { says } from "../../words/build";
import { type Build, hoursWord, type Task, useDayWord } from "./data";
import { LICENCE_WORD, PHASES, TASK_STATES } from "./words";

export function TasksLedger({ b, tasks }: { b: Build; tasks?: Task[] }) {
  const dayWord = useDayWord();
  const say = useSaid();
  const hand = useHand();
  const site = useSite();
  const all = tasks ?? b.tasks;
  const columns: Column<Task>[] = [
    {
      key: "state",
      label: says("state"),
      width: "6%",
      kind: "computed",
      show: (t) => <span title={TASK_STATES[t.state]}>{t.state === "done" ? "●" : t.state === "begun" ? "◐" : "○"}</span>,
    },
    { key: "name", label: says("task"), width: "36%", kind: "computed", show: (t) => <span className="font-sans text-peat">{say(t.name)}</span> },
    { key: "phase", label: says("phase"), width: "13%", kind: "computed", show: (t) => PHASES[t.phase] ?? t.phase },
    {
      key: "hours",
      label: says("hours-2"),
      width: "9%",
      align: "right",
      kind: "computed",
      show: (t) => (t.state === "done" ? hoursWord(t.spent_h) : hoursWord(t.hours)),
    },
    { key: "people", label: says("people"), width: "7%", align: "right", kind: "computed", show: (t) => String(t.people) },
    {
      key: "start",
      label: says("begins-2"),
      width: "14%",
      kind: "computed",
      show: (t) => (t.impossible ? says("no-hours") : t.state === "done" ? says("done-5", { end: dayWord(t.end) }) : dayWord(t.start)),
    },
    {
      key: "who",
      label: says("who"),
      width: "15%",
      kind: "computed",
      show: (t) => say(LICENCE_WORD[t.licence] || (t.ask ? says("ask-2", { ask: t.ask }) : "")),
    },
  ];
  return (
    <Ledger
      label={says("tasks")}
      rows={all}
      columns={
        site
          ? columns.filter((c) => ["state", "name", "start"].includes(c.key)).map((c) => ({ ...c, width: { state: "8%", name: "62%", start: "30%" }[c.key] }))
          : columns
      }
      id={(t) => t.id}
      selected={hand.kind === "task" ? hand.id : undefined}
      onSelect={(t) => hand.key !== `task:${t.id}` && hand.pick("task", t.id)}
      mark={(t) => <ItemMark subject={`task:${t.id}`} />}
      empty={<p className="p-3 text-[14px]">{b.tasks.length ? says("nothing-left-do") : says("there-nothing-do-yet")}</p>}
    />
  );
}

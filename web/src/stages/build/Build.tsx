/** Stage 10, Build: what next, and when is it done? */
import { useState } from "react";
import { Link } from "react-router";
import { useVariant } from "../../data/variant";
import { Bench } from "../../shell/Bench";
import { useHand } from "../../shell/hand";
import { usePerson } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { useSite } from "../../shell/useSite";
import { StageViews } from "../../shell/ViewSwitch";
import { useStageView } from "../../shell/views";
import { says } from "../../words/build";
import { BuildSlate } from "./BuildSlate";
import { useBuild, useDay, useFan, usePlan } from "./data";
import { GatesView } from "./GatesView";
import { Curve, LogLedger } from "./LogView";
import { Moved } from "./Moved";
import { Sentence } from "./Sentence";
import { BuySlate, ShoppingLedger } from "./ShoppingView";
import { TaskSlate } from "./TaskSlate";
import { TasksLedger } from "./TasksView";
import { TodayView } from "./TodayView";
import { Weeks } from "./Weeks";
import { VIEWS } from "./words";

const FILES = [
  [says("shopping-list-csv"), "shopping.csv"],
  [says("shopping-list-xlsx"), "shopping.xlsx"],
  [says("plan-csv"), "plan.csv"],
  [says("plan-calendar-ics"), "plan.ics"],
] as const;

function OwnTask() {
  const { doc, edit } = usePlan();
  const [name, setName] = useState("");
  const add = async () => {
    const own = doc.own ?? [];
    let n = own.length + 1;
    while (own.some((o) => o.id === `task-${n}`)) n += 1;
    if (await edit([{ op: "add", path: "/build/own/-", value: { id: `task-${n}`, name: name.trim(), hours: 2 } }], says("added", { name: name.trim() })))
      setName("");
  };
  return (
    <form
      className="flex gap-1"
      onSubmit={(e) => {
        e.preventDefault();
        if (name.trim()) void add();
      }}
    >
      <input
        className="field w-44"
        aria-label={says("task-your-own")}
        placeholder={says("task-your-own-2")}
        value={name}
        maxLength={80}
        onChange={(e) => setName(e.target.value)}
      />
      <button type="submit" className="btn" disabled={!name.trim()}>
        {says("add")}
      </button>
    </form>
  );
}

export function Component() {
  const { id } = useVariant();
  const { units } = usePerson();
  const made = useBuild();
  const { view } = useStageView(VIEWS);
  const hand = useHand();
  const day = useDay();
  const site = useSite();
  const [asked, setAsked] = useState(false);
  const fan = useFan(asked);
  const plan = usePlan();
  if (!made.data)
    return (
      <main tabIndex={-1} className="flex-1 p-6 outline-none" aria-label={says("build")}>
        <h1 className="m-0 font-display text-xl">{says("build")}</h1>
        <p role="status">{made.error ? says("could-not-planned", { message: (made.error as Error).message }) : says("planning")}</p>
      </main>
    );
  const b = made.data;
  const task = hand.kind === "task" ? b.tasks.find((t) => t.id === hand.id) : undefined;
  const buy = hand.kind === "buy" ? b.shopping.find((x) => x.key === hand.id) : undefined;
  const picture =
    view === "weeks" || view === "tasks" ? (
      <div className="h-full overflow-auto p-2">
        <Moved b={b} />
        <Weeks b={b} p50={fan.data?.p50} p80={fan.data?.p80} onPin={(t, d) => void plan.pin(t, d)} />
      </div>
    ) : view === "log" ? (
      <Curve b={b} />
    ) : undefined;
  const ledger = {
    today: <TodayView b={b} />,
    weeks: <TasksLedger b={b} tasks={[...b.tasks].filter((t) => t.state !== "done" && t.start).sort((x, y) => x.start!.localeCompare(y.start!))} />,
    tasks: <TasksLedger b={b} />,
    gates: <GatesView b={b} />,
    shopping: <ShoppingLedger b={b} />,
    log: <LogLedger b={b} />,
  }[view];
  const slate = task ? (
    <TaskSlate key={task.id} t={task} />
  ) : buy ? (
    <BuySlate b={b} x={buy} />
  ) : site && view === "today" ? (
    <Slate title={says("build")} sub={says("open-larger-screen-plan")}>
      <p className="text-[13px]">{says("people-places-days-stand")}</p>
    </Slate>
  ) : (
    <BuildSlate b={b} wanted={asked} onAsk={setAsked} />
  );
  return (
    <Bench
      title={says("build")}
      sentence={<Sentence b={b} />}
      picture={picture}
      tools={
        <>
          <StageViews stage={says("build")} views={VIEWS} />
          {(view === "tasks" || view === "weeks") && <OwnTask />}
          {(view === "today" || view === "weeks") && !site && (
            <Link className="btn no-underline" to={`/v/${id}/print/week?day=${day}`}>
              {says("print-week")}
            </Link>
          )}
          <select
            className="field"
            aria-label={says("take-file")}
            value=""
            onChange={(e) => {
              const kind = e.target.value;
              if (kind)
                Object.assign(document.createElement("a"), {
                  href: `/api/variants/${id}/build/file/${kind}?today=${day}&units=${units}`,
                  download: "",
                }).click();
              e.target.value = "";
            }}
          >
            <option value="">{says("export")}</option>
            {FILES.map(([word, kind]) => (
              <option key={kind} value={kind}>
                {word}
              </option>
            ))}
          </select>
          {made.isFetching && (
            <span role="status" className="text-[12px]">
              {says("planning-2")}
            </span>
          )}
        </>
      }
      ledger={ledger}
      slate={slate}
    />
  );
}

/** The ladder: S0 to S16 as rungs, and beside it everything that is proved, lit by its state. */

import { useMemo } from "react";
import { useVariant } from "../../data/variant";
import { useHand } from "../../shell/hand";
import { useSaid } from "../../shell/person";
import { says } from "../../words/prove";
import { Drawing } from "./Drawing";
import { type Commissioning, type Rung, STATES, type Step, WHO, worst } from "./data";
import { COLOUR, StateMark } from "./marks";

const RUNG: Record<string, string> = { none: says("not-aboard"), locked: says("locked"), open: says("open"), done: says("proved"), failed: says("failed") };
function RungRow({ r, on, pick }: { r: Rung; on: boolean; pick: () => void }) {
  const say = useSaid();
  const done = r.total ? r.passed / r.total : 0;
  const state = r.state === "done" ? "pass" : r.state === "failed" ? "fail" : r.state === "locked" ? "locked" : "open";
  return (
    <button
      type="button"
      aria-pressed={on}
      disabled={r.state === "none"}
      className={`grid w-full grid-cols-[2.2rem_minmax(0,1fr)_auto_1.1rem] items-center gap-1 border-0 border-b border-line bg-transparent px-2 py-0 text-left text-[12px] leading-[18px] disabled:opacity-45 ${on ? "!bg-gorse/20 font-semibold" : ""}`}
      onClick={pick}
      title={say(r.why || (WHO[r.who] ?? r.who), "wiring")}
    >
      <span className="num">{r.id.toUpperCase()}</span>
      <span className="relative overflow-hidden">
        <span className="absolute inset-y-[3px] left-0 bg-moss/25" style={{ width: `${100 * done}%` }} aria-hidden="true" />
        <span className="relative">{say(r.title, "wiring")}</span>
      </span>
      <span className="num whitespace-nowrap text-right text-dim">{r.total ? says("of", { passed: r.passed, total: r.total }) : "–"}</span>
      <span role="img" aria-label={RUNG[r.state]}>
        {r.state !== "none" && <StateMark state={state} />}
      </span>
    </button>
  );
}

type Group = { name: string; cells: { key: string; name: string; code: string; states: string[]; first: Step }[] };

/** What is proved, in groups: boards with their circuits, then the other services by stage. */
function useGroups(c: Commissioning): Group[] {
  const { design, report } = useVariant();
  return useMemo(() => {
    const boards = new Map((design.wiring?.boards ?? []).map((b) => [b.id, b.name]));
    const circuits = new Map((design.wiring?.circuits ?? []).map((x) => [x.id!, x]));
    const groups = new Map<string, Group>();
    const put = (group: string, key: string, name: string, code: string, s: Step) => {
      const g = groups.get(group) ?? { name: group, cells: [] };
      groups.set(group, g);
      const cell = g.cells.find((x) => x.key === key);
      if (cell) {
        cell.states.push(s.state);
        if (cell.first.state === "pass" && s.state !== "pass") cell.first = s;
      } else g.cells.push({ key, name, code, states: [s.state], first: s });
    };
    const OTHER: Record<string, string> = {
      s2: says("mains-2"),
      s6: says("mains-2"),
      s7: says("mains-2"),
      s9: says("water"),
      s10: says("gas"),
      s11: says("heat"),
      s12: says("air"),
      s13: says("cooling"),
      s14: says("alarms"),
      s15: says("road"),
      s16: says("road"),
    };
    for (const s of c.steps) {
      const circuit = circuits.get(s.subject);
      const part = circuit && report.wiring.circuits[s.subject];
      if (circuit && part)
        put(circuit.board ? (boards.get(circuit.board) ?? says("boards")) : says("main-cables"), s.subject, circuit.name ?? s.subject, part.code, s);
      else if (OTHER[s.stage]) put(OTHER[s.stage]!, s.id, s.title, "", s);
      else
        put(
          says("bank-busbars-shunt"),
          s.stage === "s0" && s.id.startsWith("s0-seal") ? "seals" : s.id,
          s.id.startsWith("s0-seal") ? says("seals-roof") : s.title,
          "",
          s,
        );
    }
    return [...groups.values()];
  }, [c.steps, design, report]);
}

export function Ladder({ c, rung, onRung, drawn }: { c: Commissioning; rung: string | null; onRung: (id: string | null) => void; drawn: boolean }) {
  const say = useSaid();
  const hand = useHand();
  const groups = useGroups(c);
  return (
    <div className="grid h-full grid-cols-[minmax(15rem,21rem)_minmax(0,1fr)] max-[899px]:grid-cols-1">
      <div className="overflow-auto border-r border-line" role="group" aria-label={says("stages-commissioning")}>
        {c.rungs.map((r) => (
          <RungRow key={r.id} r={r} on={rung === r.id} pick={() => onRung(rung === r.id ? null : r.id)} />
        ))}
      </div>
      {drawn ? (
        <div className="overflow-auto" role="group" aria-label={says("what-proved-drawn")}>
          <Drawing c={c} rung={rung} />
        </div>
      ) : (
        <div className="flex flex-wrap content-start gap-x-4 gap-y-2 overflow-auto p-2" role="group" aria-label={says("what-proved")}>
          {groups.map((g) => (
            <div key={g.name} className="min-w-[9rem]">
              <h2 className="m-0 font-display text-[12px] font-semibold text-dim">{say(g.name)}</h2>
              <div className="flex max-w-[21rem] flex-wrap gap-0.5">
                {g.cells.map((x) => {
                  const state = worst(x.states);
                  const dim = rung != null && !c.steps.some((s) => s.stage === rung && (s.subject === x.key || s.id === x.key));
                  return (
                    <button
                      type="button"
                      key={x.key}
                      aria-label={say(`${x.code} ${x.name}: ${STATES[state]}`.trim(), "wiring")}
                      title={say(`${x.code} ${x.name}: ${STATES[state]}`.trim(), "wiring")}
                      aria-pressed={hand.kind === "step" && hand.id === x.first.id}
                      className={`h-6 min-w-6 border bg-sheet px-1 text-[10px] leading-none aria-pressed:outline aria-pressed:outline-2 ${dim ? "!border-line text-dim" : "font-semibold"}`}
                      style={{
                        borderColor: COLOUR[state],
                        borderStyle: state === "again" ? "dashed" : "solid",
                        background: state === "pass" && !dim ? "color-mix(in srgb, var(--color-moss) 22%, var(--color-sheet))" : undefined,
                      }}
                      onClick={() => hand.pick("step", x.first.id)}
                    >
                      {x.code && <span className="num mr-0.5">{x.code}</span>}
                      <span className={dim ? "opacity-40" : ""}>
                        <StateMark state={state} size={11} />
                      </span>
                    </button>
                  );
                })}
              </div>
            </div>
          ))}
        </div>
      )}
    </div>
  );
}

/** The build as a whole: who works when and where, by when, in which order; what is asked for, and what is wrong. */

import type { Schemas } from "../../data/client";
import { severityWord } from "../../data/findings";
import { useItems } from "../../data/items";
import { figure } from "../../data/show";
import { choice, Fields, flag, quantity, words } from "../../parts/Fields";
import { FindingMark, type Severity } from "../../parts/Findings";
import { Property } from "../../parts/Property";
import { Term } from "../../parts/Term";
import { useMoney, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { says } from "../../words/build";
import { Ahead } from "./Ahead";
import { Better, Kept } from "./Better";
import { type Build, useDayWord, useFan, useOtherWays, usePlan } from "./data";
import { ALSO, BUFFERS, CABLES, CAUTION, COMMISSIONING, ESTIMATE, FLOORS, HOURS, INSULATION, LICENCES, OTHER_WAY, SHELL, VAPOUR } from "./words";

type Worker = Schemas["Worker"] & { name: string };
type Visit = Schemas["Visit"] & { name: string };
type Away = Schemas["Away"] & { name: string };

function Day({ label, value, onSet }: { label: string; value: string | null | undefined; onSet: (v: string | null) => void }) {
  return (
    <Property label={label}>
      <input type="date" className="field-slate w-full" aria-label={label} value={value ?? ""} onChange={(e) => onSet(e.target.value || null)} />
    </Property>
  );
}

function People() {
  const dayWord = useDayWord();
  const { doc } = usePlan();
  const people = useItems<Worker>("/build/people", (doc.people ?? []) as Worker[], says("builder"));
  const visits = useItems<Visit>("/build/visits", (doc.visits ?? []) as Visit[], says("visit"));
  const away = useItems<Away>("/build/away", (doc.away ?? []) as Away[], says("away"));
  const soon = new Date(Date.now() + 14 * 86400e3).toISOString().slice(0, 10);
  return (
    <>
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("who-works-when")}</h3>
      {!people.items.length && <p className="my-1 text-[12px] text-[#d3b6e6]">{says("assumed-one-builder-weekends")}</p>}
      {people.items.map((w) => (
        <details key={w.id}>
          <summary className="cursor-pointer">
            {w.name}: {HOURS.find((h) => h.value === w.hours)?.word}
          </summary>
          <Fields
            specs={[words("name", says("name")), choice("hours", says("works"), w.sessions?.length ? HOURS : HOURS.filter((h) => h.value !== "own"))]}
            item={w as { name: string; hours: "weekends" | "evenings" | "full_time" | "own" }}
            onSet={(k, v, label) => void people.set(w, { [k]: v }, label)}
          />
          {LICENCES.map((l) => (
            <label key={l.value} className="flex items-center gap-1 text-[12px]">
              <input
                type="checkbox"
                checked={(w.licences ?? []).includes(l.value)}
                onChange={(e) =>
                  void people.set(
                    w,
                    { licences: e.target.checked ? [...(w.licences ?? []), l.value] : (w.licences ?? []).filter((x) => x !== l.value) },
                    l.word,
                  )
                }
              />
              <Term>{says("licensed", { word: l.word })}</Term>
            </label>
          ))}
          <button type="button" className="text-[12px] text-chalk-dim underline" onClick={() => void people.remove(w)}>
            {says("remove-2")}
          </button>
        </details>
      ))}
      <button type="button" className="btn btn-slate mt-1" onClick={() => void people.add({ hours: "weekends" })}>
        {says("add-person")}
      </button>
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("licensed-visits-days-off")}</h3>
      {visits.items.map((v) => (
        <details key={v.id}>
          <summary className="cursor-pointer">
            {v.name}, {dayWord(v.day)}
          </summary>
          <Fields
            specs={[words("name", says("name")), choice("licence", says("is-the"), LICENCES)]}
            item={v as { name: string; licence: "ac_electrician" | "gas_fitter" | "vehicle_engineer" }}
            onSet={(k, x, label) => void visits.set(v, { [k]: x }, label)}
          />
          <Day label={says("comes")} value={v.day} onSet={(day) => day && void visits.set(v, { day }, says("day"))} />
          <button type="button" className="text-[12px] text-chalk-dim underline" onClick={() => void visits.remove(v)}>
            {says("remove-2")}
          </button>
        </details>
      ))}
      {away.items.map((a) => (
        <details key={a.id}>
          <summary className="cursor-pointer">{says("to", { name: a.name, first: dayWord(a.first), last: dayWord(a.last) })}</summary>
          <Day
            label={says("from")}
            value={a.first}
            onSet={(first) => first && void away.set(a, { first, last: first > a.last ? first : a.last }, says("from"))}
          />
          <Day label={says("to-2")} value={a.last} onSet={(last) => last && void away.set(a, { last }, says("to-2"))} />
          <button type="button" className="text-[12px] text-chalk-dim underline" onClick={() => void away.remove(a)}>
            {says("remove-2")}
          </button>
        </details>
      ))}
      <div className="flex flex-wrap gap-1">
        <button type="button" className="btn btn-slate mt-1" onClick={() => void visits.add({ licence: "ac_electrician", day: soon })}>
          {says("add-visit")}
        </button>
        <button type="button" className="btn btn-slate mt-1" onClick={() => void away.add({ first: soon, last: soon })}>
          {says("add-days-off")}
        </button>
      </div>
    </>
  );
}

/** The finish as two ends of a rope, asked for at a press. */
export function Finish({ b, wanted, onAsk }: { b: Build; wanted: boolean; onAsk: (on: boolean) => void }) {
  const dayWord = useDayWord();
  const say = useSaid();
  const fan = useFan(wanted);
  if (!wanted)
    return (
      <button type="button" className="btn btn-slate my-1" onClick={() => onAsk(true)}>
        {says("when-done-worst")}
      </button>
    );
  if (fan.isFetching)
    return (
      <p role="status" className="my-1 text-[13px]">
        {says("simulating-your-people")}{" "}
        <button type="button" className="underline" onClick={() => onAsk(false)}>
          {says("cancel")}
        </button>
      </p>
    );
  if (!fan.data)
    return <p className="my-1 text-[13px]">{says("could-not-simulated", { has_error: Boolean(fan.error), message: (fan.error as Error).message })}</p>;
  const names = new Map(b.tasks.map((t) => [t.id, t.name]));
  const late = Object.entries(fan.data.late).slice(0, 4);
  return (
    <div className="my-1 text-[13px]">
      <p className="my-1">
        {says("even-chance")} <b>{dayWord(fan.data.p50, true)}</b>
        {say(says("four-times-five"))} <b>{dayWord(fan.data.p80, true)}</b>
        {says("hardly-later-than-keep", { p95: dayWord(fan.data.p95, true), padded: b.padded, value: Math.max(1, Math.round(fan.data.reserve_days)) })}
        {fan.data.chance != null && <> {say(says("deadline-met-runs", { chance: Math.round(100 * fan.data.chance) }))}</>}
      </p>
      <p className="my-1 text-[12px] text-chalk-dim">
        {says("runs-each-one-pace", { runs: figure(fan.data.runs), late: late.map(([k, n]) => `${names.get(k) ?? k} (${Math.round(100 * n)} %)`).join(", ") })}
      </p>
    </div>
  );
}

export function FindingRow({ f }: { f: Schemas["Finding"] }) {
  const say = useSaid();
  return (
    <article className="my-2 text-[13px]">
      <FindingMark severity={f.severity as Severity} slate /> <span className="text-[11px] uppercase text-chalk-dim">{severityWord(f.severity)}</span>{" "}
      <b>{say(f.title)}</b>
      <p className="my-0.5">{say(f.message)}</p>
      <p className="my-0.5 text-chalk-dim">{say(f.remedy)}</p>
    </article>
  );
}

type Said = "hall" | "cables" | "floor_finish" | "shell" | "insulation" | "estimate" | "buffers" | "commissioning" | "lead_days";
const FRESH: Partial<Schemas["Build"]> & Pick<Schemas["Build"], Said> = {
  hall: false,
  cables: "before_lining",
  floor_finish: "before_furniture",
  shell: "floor_first",
  insulation: "after_first_fix",
  estimate: "triangular",
  buffers: "project",
  commissioning: "per_service",
  lead_days: 5,
};

/** What the other way of each setting costs. */
function OtherWays() {
  const say = useSaid();
  const ways = useOtherWays();
  if (ways.isPending)
    return (
      <p role="status" className="my-1 text-[12px] text-chalk-dim">
        {says("working-out-what-other")}
      </p>
    );
  if (!ways.data) return <p className="my-1 text-[12px]">{says("what-other-ways-cost", { message: (ways.error as Error).message })}</p>;
  const more = (n: number) => (Math.round(n) === 0 ? "0" : `${n < 0 ? "−" : "+"}${Math.abs(Math.round(n))}`);
  return (
    <details className="my-1 text-[12px]">
      <summary className="cursor-pointer">{says("what-other-way-costs")}</summary>
      <table className="w-full">
        <tbody>
          {ways.data.map((s) => (
            <tr key={s.setting}>
              <td>{say(OTHER_WAY[`${s.setting}/${s.other}`] ?? "")}</td>
              <td className="num text-right">{more(s.hours)} h</td>
              <td className="num text-right">{says("days", { days: more(s.days) })}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}

export function BuildSlate({ b, wanted, onAsk }: { b: Build; wanted: boolean; onAsk: (on: boolean) => void }) {
  const dayWord = useDayWord();
  const { doc, set } = usePlan();
  const say = useSaid();
  const { money } = useMoney();
  const also = doc.also ?? [];
  const skipped = doc.own_way ?? [];
  const b0 = { ...FRESH, ...doc };
  return (
    <Slate
      title={says("build")}
      sub={b.end ? says("done-not-before", { end: dayWord(b.end, true), bound: dayWord(b.bound, true) }) : b.tasks.length ? says("nothing-left-do") : undefined}
    >
      {b.findings.map((f) => (
        <FindingRow key={f.id} f={f} />
      ))}
      <Finish b={b} wanted={wanted} onAsk={onAsk} />
      <Better b={b} />
      <Kept b={b} />
      {b.asks.length > 0 && <p className="my-1 text-[12px]">{says("ask", { asks: say(b.asks.slice(0, 6).join("; ")) })}</p>}
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("when-where")}</h3>
      <Day label={says("begins")} value={doc.start_day} onSet={(v) => void set("start_day", v, says("first-day"))} />
      <Day label={says("must-done")} value={doc.deadline} onSet={(v) => void set("deadline", v, says("deadline"))} />
      <Fields
        specs={[
          flag("hall", says("built-under-roof")),
          ...(doc.hall ? [quantity("hall_temp_c", says("heated"), "temperature", "°C", { clearable: true, placeholder: says("unheated") })] : []),
          choice("cables", says("cables-go"), CABLES),
          choice("floor_finish", says("floor"), FLOORS),
          choice("vapour", says("behind-lining"), VAPOUR, { none: says("build-up") }),
          choice("shell", says("decked-lined"), SHELL),
          choice("insulation", says("insulated"), INSULATION),
          choice("commissioning", says("proved"), COMMISSIONING),
          choice("buffers", says("reserve"), BUFFERS),
          choice("estimate", says("hours-reckoned"), ESTIMATE),
          quantity("pace", says("hours-each-library"), "count", "", { clearable: true, placeholder: b.pace.factor.toFixed(2) }),
          quantity("lead_days", says("delivery-takes-working-days"), "count", ""),
          quantity("budget", says("budget"), "count", "", { clearable: true, placeholder: money(b.money.planned) }),
        ]}
        item={b0}
        onSet={(k, v, label) => void set(k, v, label)}
      />
      <OtherWays />
      <Ahead />
      <People />
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("gets-too")}</h3>
      {ALSO.map(([key, word]) => (
        <label key={key} className="flex items-center gap-1 text-[12px]">
          <input
            type="checkbox"
            checked={also.includes(key)}
            onChange={(e) => void set("also", e.target.checked ? [...also, key] : also.filter((x) => x !== key), word)}
          />
          {word}
        </label>
      ))}
      {skipped.length > 0 && (
        <>
          <h3 className="mb-1 mt-3 font-display text-[14px]">{says("left-out-plan")}</h3>
          {skipped.map((k) => (
            <p key={k} className="my-0.5 text-[12px]">
              {k.replaceAll("-", " ")}{" "}
              <button
                type="button"
                className="underline"
                onClick={() =>
                  void set(
                    "own_way",
                    skipped.filter((x) => x !== k),
                    says("took-again", { replace_all: k.replaceAll("-", " ") }),
                  )
                }
              >
                {says("take-again")}
              </button>
            </p>
          ))}
        </>
      )}
      <p className="mt-3 border-l-2 border-gorse pl-2 text-[12px] text-chalk-dim">{say(CAUTION)}</p>
    </Slate>
  );
}

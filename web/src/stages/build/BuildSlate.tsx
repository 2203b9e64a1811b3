/** The build as a whole: who works when and where, by when, in which order; what is asked for, and what is wrong. */
import type { Schemas } from "../../data/client";
import { useItems } from "../../data/items";
import { figure } from "../../data/show";
import { choice, Fields, flag, quantity, words } from "../../parts/Fields";
import { FindingMark, type Severity } from "../../parts/Findings";
import { Property } from "../../parts/Property";
import { useMoney, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { Ahead } from "./Ahead";
import { Better, Kept } from "./Better";
import { type Build, dayWord, useFan, useOtherWays, usePlan } from "./data";
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
  const { doc } = usePlan();
  const people = useItems<Worker>("/build/people", (doc.people ?? []) as Worker[], "Builder");
  const visits = useItems<Visit>("/build/visits", (doc.visits ?? []) as Visit[], "Visit");
  const away = useItems<Away>("/build/away", (doc.away ?? []) as Away[], "Away");
  const soon = new Date(Date.now() + 14 * 86400e3).toISOString().slice(0, 10);
  return (
    <>
      <h3 className="mb-1 mt-3 font-display text-[14px]">Who works when</h3>
      {!people.items.length && <p className="my-1 text-[12px] text-[#d3b6e6]">Assumed: one builder, at weekends.</p>}
      {people.items.map((w) => (
        <details key={w.id}>
          <summary className="cursor-pointer">
            {w.name}: {HOURS.find((h) => h.value === w.hours)?.word}
          </summary>
          <Fields
            specs={[words("name", "name"), choice("hours", "works", w.sessions?.length ? HOURS : HOURS.filter((h) => h.value !== "own"))]}
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
              is a licensed {l.word}
            </label>
          ))}
          <button type="button" className="text-[12px] text-chalk-dim underline" onClick={() => void people.remove(w)}>
            remove
          </button>
        </details>
      ))}
      <button type="button" className="btn btn-slate mt-1" onClick={() => void people.add({ hours: "weekends" })}>
        Add a person
      </button>
      <h3 className="mb-1 mt-3 font-display text-[14px]">Licensed visits, days off</h3>
      {visits.items.map((v) => (
        <details key={v.id}>
          <summary className="cursor-pointer">
            {v.name}, {dayWord(v.day)}
          </summary>
          <Fields
            specs={[words("name", "name"), choice("licence", "is the", LICENCES)]}
            item={v as { name: string; licence: "ac_electrician" | "gas_fitter" | "vehicle_engineer" }}
            onSet={(k, x, label) => void visits.set(v, { [k]: x }, label)}
          />
          <Day label="comes on" value={v.day} onSet={(day) => day && void visits.set(v, { day }, "day")} />
          <button type="button" className="text-[12px] text-chalk-dim underline" onClick={() => void visits.remove(v)}>
            remove
          </button>
        </details>
      ))}
      {away.items.map((a) => (
        <details key={a.id}>
          <summary className="cursor-pointer">
            {a.name}: {dayWord(a.first)} to {dayWord(a.last)}
          </summary>
          <Day label="from" value={a.first} onSet={(first) => first && void away.set(a, { first, last: first > a.last ? first : a.last }, "from")} />
          <Day label="to" value={a.last} onSet={(last) => last && void away.set(a, { last }, "to")} />
          <button type="button" className="text-[12px] text-chalk-dim underline" onClick={() => void away.remove(a)}>
            remove
          </button>
        </details>
      ))}
      <div className="flex flex-wrap gap-1">
        <button type="button" className="btn btn-slate mt-1" onClick={() => void visits.add({ licence: "ac_electrician", day: soon })}>
          Add a visit
        </button>
        <button type="button" className="btn btn-slate mt-1" onClick={() => void away.add({ first: soon, last: soon })}>
          Add days off
        </button>
      </div>
    </>
  );
}

/** The finish as two ends of a rope, asked for at a press. */
export function Finish({ b, wanted, onAsk }: { b: Build; wanted: boolean; onAsk: (on: boolean) => void }) {
  const fan = useFan(wanted);
  if (!wanted)
    return (
      <button type="button" className="btn btn-slate my-1" onClick={() => onAsk(true)}>
        When is it done, at worst?
      </button>
    );
  if (fan.isFetching)
    return (
      <p role="status" className="my-1 text-[13px]">
        Simulating it with your people…{" "}
        <button type="button" className="underline" onClick={() => onAsk(false)}>
          cancel
        </button>
      </p>
    );
  if (!fan.data) return <p className="my-1 text-[13px]">It could not be simulated{fan.error ? `: ${(fan.error as Error).message}` : ""}.</p>;
  const names = new Map(b.tasks.map((t) => [t.id, t.name]));
  const late = Object.entries(fan.data.late).slice(0, 4);
  return (
    <div className="my-1 text-[13px]">
      <p className="my-1">
        Even chance by <b>{dayWord(fan.data.p50, true)}</b>; four times in five by <b>{dayWord(fan.data.p80, true)}</b>; hardly later than{" "}
        {dayWord(fan.data.p95, true)}.{b.padded ? "" : ` Keep ${Math.max(1, Math.round(fan.data.reserve_days))} days free at the end before you promise a day.`}
        {fan.data.chance != null && <> The deadline is met in {Math.round(100 * fan.data.chance)} % of the runs.</>}
      </p>
      <p className="my-1 text-[12px] text-chalk-dim">
        {figure(fan.data.runs)} runs, each with one pace and its own hours, planned with the same people and cures. What governs most often:{" "}
        {late.map(([k, n]) => `${names.get(k) ?? k} (${Math.round(100 * n)} %)`).join(", ")}.
      </p>
    </div>
  );
}

export function FindingRow({ f }: { f: Schemas["Finding"] }) {
  const say = useSaid();
  return (
    <article className="my-2 text-[13px]">
      <FindingMark severity={f.severity as Severity} slate /> <span className="text-[11px] uppercase text-chalk-dim">{f.severity}</span> <b>{say(f.title)}</b>
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
        Working out what the other ways cost…
      </p>
    );
  if (!ways.data) return <p className="my-1 text-[12px]">What the other ways cost could not be worked out: {(ways.error as Error).message}</p>;
  const more = (n: number) => (Math.round(n) === 0 ? "0" : `${n < 0 ? "−" : "+"}${Math.abs(Math.round(n))}`);
  return (
    <details className="my-1 text-[12px]">
      <summary className="cursor-pointer">What the other way costs</summary>
      <table className="w-full">
        <tbody>
          {ways.data.map((s) => (
            <tr key={s.setting}>
              <td>{say(OTHER_WAY[`${s.setting}/${s.other}`] ?? "")}</td>
              <td className="num text-right">{more(s.hours)} h</td>
              <td className="num text-right">{more(s.days)} days</td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}

export function BuildSlate({ b, wanted, onAsk }: { b: Build; wanted: boolean; onAsk: (on: boolean) => void }) {
  const { doc, set } = usePlan();
  const say = useSaid();
  const { money } = useMoney();
  const also = doc.also ?? [];
  const skipped = doc.own_way ?? [];
  const b0 = { ...FRESH, ...doc };
  return (
    <Slate title="Build" sub={`done ${dayWord(b.end, true)}, not before ${dayWord(b.bound, true)}`}>
      {b.findings.map((f) => (
        <FindingRow key={f.id} f={f} />
      ))}
      <Finish b={b} wanted={wanted} onAsk={onAsk} />
      <Better b={b} />
      <Kept b={b} />
      {b.asks.length > 0 && <p className="my-1 text-[12px]">Ask: {say(b.asks.slice(0, 6).join("; "))}.</p>}
      <h3 className="mb-1 mt-3 font-display text-[14px]">When and where</h3>
      <Day label="begins on" value={doc.start_day} onSet={(v) => void set("start_day", v, "first day")} />
      <Day label="must be done by" value={doc.deadline} onSet={(v) => void set("deadline", v, "deadline")} />
      <Fields
        specs={[
          flag("hall", "built under a roof"),
          ...(doc.hall ? [quantity("hall_temp_c", "heated to", "temperature", "°C", { clearable: true, placeholder: "unheated" })] : []),
          choice("cables", "cables go", CABLES),
          choice("floor_finish", "floor", FLOORS),
          choice("vapour", "behind the lining", VAPOUR, { none: "by its build-up" }),
          choice("shell", "decked and lined", SHELL),
          choice("insulation", "insulated", INSULATION),
          choice("commissioning", "proved", COMMISSIONING),
          choice("buffers", "reserve", BUFFERS),
          choice("estimate", "hours reckoned", ESTIMATE),
          quantity("pace", "hours for each of the library", "count", "", { clearable: true, placeholder: b.pace.factor.toFixed(2) }),
          quantity("lead_days", "delivery takes, working days", "count", ""),
          quantity("budget", "budget", "count", "", { clearable: true, placeholder: money(b.money.planned) }),
        ]}
        item={b0}
        onSet={(k, v, label) => void set(k, v, label)}
      />
      <OtherWays />
      <Ahead />
      <People />
      <h3 className="mb-1 mt-3 font-display text-[14px]">It gets, too</h3>
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
          <h3 className="mb-1 mt-3 font-display text-[14px]">Left out of the plan</h3>
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
                    `took ${k.replaceAll("-", " ")} in again`,
                  )
                }
              >
                take it in again
              </button>
            </p>
          ))}
        </>
      )}
      <p className="mt-3 border-l-2 border-gorse pl-2 text-[12px] text-chalk-dim">{say(CAUTION)}</p>
    </Slate>
  );
}

/** Maintenance: what is due, and how it was done: the day, who, the odometer, what it cost, a note. */
import { useState } from "react";
import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { PlainNumber, plainNumber } from "../../parts/PlainNumber";
import { Property, QuantityProperty } from "../../parts/Property";
import { Quantity } from "../../parts/Quantity";
import { useMoney, usePerson, useSaid } from "../../shell/person";
import { says } from "../../words/handover";
import { useDayWord } from "../build/data";
import { type Book, useHandover } from "./data";

type Item = Book["care"][number];

const COUNTERS: Record<string, string> = {
  heater_h: says("hours-fuel-heater"),
  generator_h: says("hours-generator"),
  filter_l: says("litres-through-filter"),
  bank_cycles: says("full-cycles-battery"),
};

function Done({ c, close }: { c: Item; close: () => void }) {
  const say = useSaid();
  const h = useHandover();
  const { currency } = useMoney();
  const [f, setF] = useState({ on: h.day, who: "", cost: "", note: "" });
  const [km, setKm] = useState<number | null>(null);
  const [count, setCount] = useState("");
  const [wrong, setWrong] = useState<string | null>(null);
  const put = async () => {
    const cost = plainNumber(f.cost);
    if (!/^\d{4}-\d\d-\d\d$/.test(f.on)) return setWrong(says("day-date"));
    if (Number.isNaN(cost)) return setWrong(says("cost-number-like"));
    const counted = plainNumber(count);
    if (Number.isNaN(counted)) return setWrong(says("what-counter-said-number", { unit: c.unit }));
    const more = {
      ...(counted == null ? {} : { count: counted }),
      who: f.who.trim(),
      note: f.note.trim(),
      ...(km == null ? {} : { odometer_km: km }),
      ...(cost == null ? {} : { cost }),
    };
    if (await h.serve(c.id, c.name, f.on, more)) close();
  };
  return (
    <form
      className="my-1 border-l-2 border-slate-2 pl-2"
      aria-label={say(says("how-was-done", { name: c.name }))}
      onSubmit={(e) => {
        e.preventDefault();
        void put();
      }}
    >
      <div className="flex gap-1">
        <input className="field-slate min-w-0 flex-1" type="date" aria-label={says("day")} value={f.on} onChange={(e) => setF({ ...f, on: e.target.value })} />
        <input
          className="field-slate min-w-0 flex-1"
          aria-label={says("done")}
          placeholder={says("by")}
          maxLength={120}
          value={f.who}
          onChange={(e) => setF({ ...f, who: e.target.value })}
        />
      </div>
      <div className="mt-1 flex gap-1">
        <Quantity
          slate
          className="min-w-0 flex-1"
          label={says("odometer")}
          dimension="length"
          unit="km"
          value={km ?? undefined}
          clearable
          onCommit={(q) => setKm(q ? q.value / 1000 : null)}
        />
        {c.counter && (
          <input
            className="field-slate min-w-0 flex-1"
            aria-label={says("when-was-done", { counter: COUNTERS[c.counter] ?? "", unit: c.unit })}
            placeholder={says("counter", { unit: c.unit })}
            inputMode="decimal"
            value={count}
            onChange={(e) => setCount(e.target.value)}
          />
        )}
        <input
          className="field-slate min-w-0 flex-1"
          aria-label={says("cost", { currency })}
          placeholder={says("cost-2", { currency })}
          inputMode="decimal"
          value={f.cost}
          onChange={(e) => setF({ ...f, cost: e.target.value })}
        />
      </div>
      <div className="mt-1 flex gap-1">
        <input
          className="field-slate min-w-0 flex-1"
          aria-label={says("note")}
          placeholder={says("note-2")}
          maxLength={400}
          value={f.note}
          onChange={(e) => setF({ ...f, note: e.target.value })}
        />
        <button type="submit" className="btn btn-slate">
          {says("enter")}
        </button>
      </div>
      {wrong && (
        <span role="alert" className="text-[12px] text-[#f3b3a4]">
          {say(wrong)}
        </span>
      )}
    </form>
  );
}

/** What a counter says, with its unit. */
function CountField({ label, unit, value, onSet }: { label: string; unit: string; value: number | undefined; onSet: (n: number | null) => void }) {
  const [bad, setBad] = useState(false);
  return (
    <span className="flex items-center gap-1">
      <PlainNumber className="field-slate min-w-0 flex-1" label={label} value={value} onSet={onSet} onBad={setBad} />
      <span className="text-[12px] text-chalk-dim">{bad ? says("number-3") : unit}</span>
    </span>
  );
}

export function Maintenance({ b }: { b: Book }) {
  const dayWord = useDayWord();
  const { edit } = useVariant();
  const h = useHandover();
  const say = useSaid();
  const { units } = usePerson();
  const { money } = useMoney();
  const [open, setOpen] = useState<string | null>(null);
  const due = b.care.filter((c) => c.status !== "ok");
  const cost = b.care.reduce((n, c) => n + c.cost, 0);
  const set = (key: "start_km" | "odometer_km" | "km_per_day", value: number | null, what: string) =>
    void edit([{ op: "replace", path: `/handover/${key}`, value }], what);
  return (
    <>
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("maintenance")}</h3>
      <p className="my-1 text-[12px]">
        {says("due", { due_count: due.length, care_count: b.care.length })}
        {cost > 0 && <>{says("far", { cost: money(cost) })}</>}.
      </p>
      <QuantityProperty
        label={says("odometer-first-trip")}
        value={h.doc.start_km ?? undefined}
        dimension="length"
        unit="km"
        clearable
        onSet={(v) => set("start_km", v == null ? null : v / 1000, says("odometer-first-trip"))}
      />
      <QuantityProperty
        label={says("odometer-now")}
        value={h.doc.odometer_km ?? undefined}
        dimension="length"
        unit="km"
        clearable
        onSet={(v) => set("odometer_km", v == null ? null : v / 1000, says("odometer-2"))}
      />
      <QuantityProperty
        label={says("driven-day")}
        value={h.doc.km_per_day ?? undefined}
        dimension="length"
        unit="km"
        clearable
        onSet={(v) => set("km_per_day", v == null ? null : v / 1000, says("driven-day"))}
      />
      {[...new Map(b.care.flatMap((c) => (c.counter ? [[c.counter, c.unit] as const] : []))).entries()].map(([key, unit]) => (
        <Property key={key} label={says("now", { key: COUNTERS[key] ?? "" })}>
          <CountField
            label={says("now", { key: COUNTERS[key] ?? "" })}
            unit={unit}
            value={(h.doc.counts as Record<string, number> | undefined)?.[key]}
            onSet={(n) => {
              const { [key]: _, ...rest } = (h.doc.counts ?? {}) as Record<string, number>;
              void edit(
                [{ op: "replace", path: "/handover/counts", value: n == null ? rest : { ...rest, [key]: n } }],
                says("now", { key: COUNTERS[key] ?? "" }),
              );
            }}
          />
        </Property>
      ))}
      {b.care.map((c) => (
        <div key={c.id}>
          <div className="my-0.5 flex items-baseline justify-between gap-2 text-[12px]">
            <span className={c.status === "overdue" ? "text-[#f3b3a4]" : ""} title={say(c.how)}>
              {say(c.name)}
              <span className="block text-chalk-dim">
                {c.last
                  ? says("last-due", { last: dayWord(c.last, true), has_due: Boolean(c.due), due: c.due ? dayWord(c.due, true) : "" })
                  : say(c.once ? says("after", { every: c.every }) : says("every-never-done", { every: c.every }))}
                {c.km_left != null && says("left", { value: show(Math.max(0, c.km_left), "km", units) })}
                {c.count_left != null && say(says("left-2", { value: Math.max(0, c.count_left), unit: c.unit }))}
              </span>
            </span>
            <span className="shrink-0">
              <button
                type="button"
                className="underline"
                aria-label={say(says("done-today", { name: c.name }))}
                onClick={() => void h.serve(c.id, c.name, h.day, {})}
              >
                {says("done-2")}
              </button>{" "}
              <button
                type="button"
                className="underline"
                aria-label={say(says("how-was-done-2", { name: c.name }))}
                aria-expanded={open === c.id}
                onClick={() => setOpen(open === c.id ? null : c.id)}
              >
                …
              </button>
            </span>
          </div>
          {open === c.id && <Done c={c} close={() => setOpen(null)} />}
        </div>
      ))}
    </>
  );
}

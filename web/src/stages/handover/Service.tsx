/** Maintenance: what is due, and how it was done: the day, who, the odometer, what it cost, a note. */
import { useState } from "react";
import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { PlainNumber, plainNumber } from "../../parts/PlainNumber";
import { Property, QuantityProperty } from "../../parts/Property";
import { Quantity } from "../../parts/Quantity";
import { useMoney, usePerson, useSaid } from "../../shell/person";
import { dayWord } from "../build/data";
import { type Book, useHandover } from "./data";

type Item = Book["care"][number];

const COUNTERS: Record<string, string> = {
  heater_h: "hours of the fuel heater",
  generator_h: "hours of the generator",
  filter_l: "litres through the filter",
  bank_cycles: "full cycles of the battery",
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
    if (!/^\d{4}-\d\d-\d\d$/.test(f.on)) return setWrong("The day: a date");
    if (Number.isNaN(cost)) return setWrong("The cost: a number, like 45");
    const counted = plainNumber(count);
    if (Number.isNaN(counted)) return setWrong(`What its counter said: a number of ${c.unit}`);
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
      aria-label={say(`${c.name}: how it was done`)}
      onSubmit={(e) => {
        e.preventDefault();
        void put();
      }}
    >
      <div className="flex gap-1">
        <input className="field-slate min-w-0 flex-1" type="date" aria-label="Day" value={f.on} onChange={(e) => setF({ ...f, on: e.target.value })} />
        <input
          className="field-slate min-w-0 flex-1"
          aria-label="Done by"
          placeholder="by"
          maxLength={120}
          value={f.who}
          onChange={(e) => setF({ ...f, who: e.target.value })}
        />
      </div>
      <div className="mt-1 flex gap-1">
        <Quantity
          slate
          className="min-w-0 flex-1"
          label="Odometer"
          dimension="length"
          unit="km"
          value={km ?? undefined}
          clearable
          onCommit={(q) => setKm(q ? q.value / 1000 : null)}
        />
        {c.counter && (
          <input
            className="field-slate min-w-0 flex-1"
            aria-label={`${COUNTERS[c.counter]} when it was done, ${c.unit}`}
            placeholder={`counter, ${c.unit}`}
            inputMode="decimal"
            value={count}
            onChange={(e) => setCount(e.target.value)}
          />
        )}
        <input
          className="field-slate min-w-0 flex-1"
          aria-label={`Cost, ${currency}`}
          placeholder={`cost, ${currency}`}
          inputMode="decimal"
          value={f.cost}
          onChange={(e) => setF({ ...f, cost: e.target.value })}
        />
      </div>
      <div className="mt-1 flex gap-1">
        <input
          className="field-slate min-w-0 flex-1"
          aria-label="Note"
          placeholder="note"
          maxLength={400}
          value={f.note}
          onChange={(e) => setF({ ...f, note: e.target.value })}
        />
        <button type="submit" className="btn btn-slate">
          Enter
        </button>
      </div>
      {wrong && (
        <span role="alert" className="text-[12px] text-[#f3b3a4]">
          {wrong}
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
      <span className="text-[12px] text-chalk-dim">{bad ? "a number" : unit}</span>
    </span>
  );
}

export function Maintenance({ b }: { b: Book }) {
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
      <h3 className="mb-1 mt-3 font-display text-[14px]">Maintenance</h3>
      <p className="my-1 text-[12px]">
        {due.length} of {b.care.length} are due{cost > 0 && <>; {money(cost)} so far</>}.
      </p>
      <QuantityProperty
        label="odometer at the first trip"
        value={h.doc.start_km ?? undefined}
        dimension="length"
        unit="km"
        clearable
        onSet={(v) => set("start_km", v == null ? null : v / 1000, "odometer at the first trip")}
      />
      <QuantityProperty
        label="odometer now"
        value={h.doc.odometer_km ?? undefined}
        dimension="length"
        unit="km"
        clearable
        onSet={(v) => set("odometer_km", v == null ? null : v / 1000, "odometer")}
      />
      <QuantityProperty
        label="driven a day"
        value={h.doc.km_per_day ?? undefined}
        dimension="length"
        unit="km"
        clearable
        onSet={(v) => set("km_per_day", v == null ? null : v / 1000, "driven a day")}
      />
      {[...new Map(b.care.flatMap((c) => (c.counter ? [[c.counter, c.unit] as const] : []))).entries()].map(([key, unit]) => (
        <Property key={key} label={`${COUNTERS[key]} now`}>
          <CountField
            label={`${COUNTERS[key]} now`}
            unit={unit}
            value={(h.doc.counts as Record<string, number> | undefined)?.[key]}
            onSet={(n) => {
              const { [key]: _, ...rest } = (h.doc.counts ?? {}) as Record<string, number>;
              void edit([{ op: "replace", path: "/handover/counts", value: n == null ? rest : { ...rest, [key]: n } }], `${COUNTERS[key]} now`);
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
                  ? `last ${dayWord(c.last, true)}${c.due ? `, due ${dayWord(c.due, true)}` : ""}`
                  : say(c.once ? `after ${c.every}` : `every ${c.every}; never done`)}
                {c.km_left != null && `, ${show(Math.max(0, c.km_left), "km", units)} left`}
                {c.count_left != null && say(`, ${Math.max(0, c.count_left).toFixed(0)} ${c.unit} left`)}
              </span>
            </span>
            <span className="shrink-0">
              <button type="button" className="underline" aria-label={say(`${c.name}: done today`)} onClick={() => void h.serve(c.id, c.name, h.day, {})}>
                done
              </button>{" "}
              <button
                type="button"
                className="underline"
                aria-label={say(`${c.name}: how it was done…`)}
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

/** Taking a step down: yes or no, or a value; who did it; the licensed person with their licence. */
import { useState } from "react";
import { Link } from "react-router";
import { useVariant } from "../../data/variant";
import { SlateFigs } from "../../parts/Fig";
import { Photos } from "../../parts/Photos";
import { Quantity } from "../../parts/Quantity";
import { useSaid } from "../../shell/person";
import { says } from "../../words/prove";
import { figuresOf, inUnit, rightOf, STATES, type Step, useSteps } from "./data";
import { useReadings } from "./edit";
import { StateMark } from "./marks";

const PLACE: Record<string, { to: string; word: string }> = {
  water_test: { to: "water?view=care", word: says("enter-pressure-test-water") },
  gas_test: { to: "gas?view=tests", word: says("enter-leak-test-gas") },
  gas_check: { to: "gas?view=tests", word: says("enter-pressure-gas") },
  weighing: { to: "fit?view=weight", word: says("enter-weighing-layout-weight") },
};
const KEPT = "bothy:prover";

/** Who proves, kept in this browser: nobody types their name 150 times. */
export function useProver(): [{ who: string; licence: string }, (f: { who: string; licence: string }) => void] {
  const [me, setMe] = useState(() => {
    try {
      return { who: "", licence: "", ...JSON.parse(localStorage.getItem(KEPT) ?? "{}") } as { who: string; licence: string };
    } catch {
      return { who: "", licence: "" };
    }
  });
  return [
    me,
    (f) => {
      setMe(f);
      try {
        localStorage.setItem(KEPT, JSON.stringify(f));
      } catch {
        /* kept in this page only */
      }
    },
  ];
}

function Who({ s, me, set, big }: { s: Step; me: { who: string; licence: string }; set: (f: { who: string; licence: string }) => void; big?: boolean }) {
  const say = useSaid();
  const field = big ? "field h-11 min-w-0 flex-1 text-[16px]" : "field-slate min-w-0 flex-1";
  return (
    <div className="my-1 flex gap-1">
      <input
        className={field}
        aria-label={says("done")}
        placeholder={s.who.startsWith("two") ? says("both-names") : says("done-2")}
        value={me.who}
        maxLength={120}
        onChange={(e) => set({ ...me, who: e.target.value })}
      />
      {s.licensed && (
        <input
          className={field}
          aria-label={say(says("licence"))}
          placeholder={say(says("licence-2"))}
          value={me.licence}
          maxLength={120}
          onChange={(e) => set({ ...me, licence: e.target.value })}
        />
      )}
    </div>
  );
}

function Fields({ s, big }: { s: Step; big?: boolean }) {
  const say = useSaid();
  const steps = useSteps();
  const readings = useReadings();
  const [me, setMe] = useProver();
  const [wrong, setWrong] = useState<string | null>(null);
  const was = steps.of(s.id);
  const person = { who: me.who.trim(), ...(s.licensed ? { licence: me.licence.trim() } : {}) };
  const field = `w-full ${big ? "[&_input]:h-12 [&_input]:text-[20px]" : ""}`;
  const named = () => {
    if (s.licensed && (!person.who || !person.licence)) return says("licensed-work-only-licensed");
    if (s.who.startsWith("two") && !person.who) return says("takes-two-people-write");
    return null;
  };
  const put = async (fields: Parameters<typeof steps.set>[1]) => {
    const no = named();
    setWrong(no);
    if (!no) await steps.set(s, { ...person, ...fields });
  };
  if (s.record === "loop" || (s.record === "reading" && s.record_id !== "shunt")) {
    const row = { circuit: s.record_id, code: "", name: s.title };
    const r = readings.of(s.record_id);
    const list =
      s.record === "loop"
        ? ([["loop_mohm", says("loop-4"), "resistance", "mohm"]] as const)
        : ([
            ["source_voltage_v", says("volts-bank-2"), "voltage", "V"],
            ["load_voltage_v", says("volts-load-3"), "voltage", "V"],
            ["current_a", says("amps"), "current", "A"],
            ["shunt_a", says("shunt-changed"), "current", "A"],
          ] as const);
    return (
      <>
        {list.map(([key, label, dimension, unit]) => (
          <div key={key} className="my-1 grid grid-cols-[1fr_9rem] items-center gap-2">
            <span>{label}</span>
            <Quantity
              slate={!big}
              className={field}
              label={label}
              value={r?.[key]}
              dimension={dimension}
              unit={unit}
              clearable
              onCommit={(q) => void readings.set(row, { [key]: q?.value ?? null, ...(me.who ? { taken_by: me.who } : {}) })}
            />
          </div>
        ))}
        <Who s={s} me={me} set={setMe} big={big} />
      </>
    );
  }
  if (s.record) {
    const place = PLACE[s.record];
    return s.record === "reading" ? (
      <p className="my-1">{says("type-what-monitor-changed")}</p>
    ) : (
      <p className="my-1">
        <Link className={big ? "btn h-11 no-underline" : "underline"} to={`../${place?.to}`} relative="path">
          {place?.word}
        </Link>
      </p>
    );
  }
  return (
    <>
      <Who s={s} me={me} set={setMe} big={big} />
      {s.asks.includes("irradiance_w_m2") && (
        <Plain label={says("light-panels-plane-w")} value={was?.irradiance_w_m2} big={big} onSet={(v) => void put({ irradiance_w_m2: v })} />
      )}
      {s.asks.includes("ambient_temp_c") && (
        <div className="my-1 grid grid-cols-[1fr_9rem] items-center gap-2">
          <span>{says("air-c")}</span>
          <Quantity
            slate={!big}
            className={field}
            label={says("air-c")}
            value={was?.ambient_temp_c}
            dimension="temperature"
            unit="°C"
            clearable
            onCommit={(q) => void put({ ambient_temp_c: q?.value ?? null })}
          />
        </div>
      )}
      {s.kind === "look" ? (
        <div className="my-2 flex gap-2">
          <button
            type="button"
            className={`btn ${big ? "h-12 flex-1 text-[17px]" : "btn-slate"} ${was?.ok === true ? "!border-gorse font-semibold" : ""}`}
            onClick={() => void put({ ok: true })}
          >
            {says("should")}
          </button>
          <button
            type="button"
            className={`btn ${big ? "h-12 flex-1 text-[17px]" : "btn-slate"} ${was?.ok === false ? "!border-gorse font-semibold" : ""}`}
            onClick={() => void put({ ok: false })}
          >
            {says("not-right")}
          </button>
        </div>
      ) : s.dimension ? (
        <div className="my-1 grid grid-cols-[1fr_9rem] items-center gap-2">
          <span>{says("read-3")}</span>
          <Quantity
            slate={!big}
            className={field}
            label={say(s.title, "wiring")}
            value={was?.value == null ? undefined : was.value * s.scale}
            dimension={s.dimension}
            unit={s.unit}
            clearable
            onCommit={(q) => void put({ value: q ? q.value / s.scale : null })}
          />
        </div>
      ) : (
        <Plain label={says("read-4", { unit: s.unit })} value={was?.value} big={big} onSet={(v) => void put({ value: v })} />
      )}
      {s.state === "marginal" && <Accept s={s} onSet={(note) => void put({ note, accepted: true })} />}
      {wrong && (
        <p role="alert" className={`my-1 ${big ? "text-rust" : "text-[#f3b3a4]"}`}>
          {say(wrong)}
        </p>
      )}
      {was && (
        <>
          <input
            className={big ? "field my-1 h-11 w-full" : "field-slate my-1 w-full"}
            aria-label={says("note-2")}
            placeholder={says("note")}
            defaultValue={was.note ?? ""}
            key={was.note}
            maxLength={400}
            onBlur={(e) => e.target.value !== (was.note ?? "") && void put({ note: e.target.value })}
          />
          <button type="button" className={big ? "btn min-h-11" : "btn btn-slate"} onClick={() => void steps.clear(s)}>
            {says("strike-record")}
          </button>
        </>
      )}
    </>
  );
}

/** A plain number in a unit that has no other way of being written. */
function Plain({ label, value, onSet, big }: { label: string; value: number | null | undefined; onSet: (v: number | null) => void; big?: boolean }) {
  const [text, setText] = useState<string | null>(null);
  const [wrong, setWrong] = useState(false);
  const commit = () => {
    if (text === null) return;
    const v = text.trim() === "" ? null : Number(text.replace(",", "."));
    if (v !== null && !Number.isFinite(v)) return setWrong(true);
    setWrong(false);
    setText(null);
    if (v !== (value ?? null)) onSet(v);
  };
  return (
    <label className="my-1 grid grid-cols-[1fr_9rem] items-center gap-2">
      <span>{label}</span>
      <input
        className={big ? "field h-12 w-full text-[20px]" : "field-slate w-full"}
        inputMode="decimal"
        aria-label={label}
        aria-invalid={wrong}
        value={text ?? (value == null ? "" : String(value))}
        onChange={(e) => setText(e.target.value)}
        onBlur={commit}
        onKeyDown={(e) => e.key === "Enter" && commit()}
      />
      {wrong && (
        <span role="alert" className="col-span-2 text-[12px]">
          {says("number-like")}
        </span>
      )}
    </label>
  );
}

function Accept({ s, onSet }: { s: Step; onSet: (note: string) => void }) {
  const say = useSaid();
  const [note, setNote] = useState("");
  return (
    <form
      className="my-1 flex gap-1"
      onSubmit={(e) => {
        e.preventDefault();
        if (note.trim()) onSet(note.trim());
      }}
    >
      <input
        className="field-slate min-w-0 flex-1"
        aria-label={say(says("why-good-enough", { title: s.title }), "wiring")}
        placeholder={says("why-good-enough-2")}
        value={note}
        maxLength={400}
        onChange={(e) => setNote(e.target.value)}
      />
      <button type="submit" className="btn btn-slate" disabled={!note.trim()}>
        {says("take")}
      </button>
    </form>
  );
}

/** A step whole: how, what is right, what was recorded, and the fields. */
export function StepForm({ s, big, onFind }: { s: Step; big?: boolean; onFind?: (start: string) => void }) {
  const say = useSaid();
  const { report } = useVariant();
  const right = rightOf(s);
  return (
    <>
      <p className="my-1">{say(s.how, "wiring")}</p>
      {right && (
        <p className="my-1">
          {says("right")} <strong className="num">{say(right, "wiring")}</strong>
          {s.expected != null && <> {says("expected-3", { expected: say(inUnit(s.expected, s.unit), "wiring") })}</>}
        </p>
      )}
      {!big && <SlateFigs ks={figuresOf(s)} />}
      {s.instrument && <p className={`my-0.5 text-[12px] ${big ? "text-dim" : "text-chalk-dim"}`}>{say(s.instrument, "wiring")}</p>}
      {s.licensed && <p className="my-1 border-l-2 border-rust pl-2 text-[13px]">{say(report.licensed)}</p>}
      {s.state !== "open" && s.state !== "locked" && (
        <p className={`my-1 ${big ? "text-[18px] font-semibold" : ""}`} role="status">
          <StateMark state={s.state} /> {STATES[s.state]}
          {s.said && <span className="num"> · {say(s.said, "wiring")}</span>}
        </p>
      )}
      {s.why && <p className={`my-1 border-l-2 pl-2 ${s.state === "locked" ? "border-gorse" : "border-rust"}`}>{say(s.why, "wiring")}</p>}
      {s.state === "fail" && onFind && (
        <button type="button" className={big ? "btn btn-main my-1 min-h-11" : "btn btn-slate my-1"} onClick={() => onFind(s.id)}>
          {says("find-cause")}
        </button>
      )}
      {s.state !== "locked" && <Fields key={s.id} s={s} big={big} />}
      {s.state !== "locked" && <Photos subject={s.id} name={s.title} big={big} />}
    </>
  );
}

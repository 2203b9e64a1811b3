/** The finder: one test at a time, the one that tells most for its minutes; causes that shrink with each answer; the repair and its proof. */

import { useState } from "react";
import type { Dimension } from "../../data/units";
import { Quantity } from "../../parts/Quantity";
import { useSaid } from "../../shell/person";
import { says } from "../../words/prove";
import { CircuitDrawing } from "./CircuitDrawing";
import { type Answer, type Finder, useStarts, useSteps } from "./data";
import { useProver } from "./StepForm";

const DIMENSION: Record<string, Dimension> = { V: "voltage", A: "current" };
const FIELD: Record<string, string> = {
  wiring: says("circuits"),
  water: says("water"),
  gas: says("gas"),
  warmth: says("heating"),
  power: says("power"),
  life: says("appliances"),
};

export type Search = { start: string | null; answers: Answer[]; licensed: boolean };

export function useSearch(): [Search, (s: Partial<Search>) => void] {
  const [s, set] = useState<Search>({ start: null, answers: [], licensed: false });
  return [s, (f) => set((was) => ({ ...was, ...f }))];
}

/** Doubt on each element of the drawing: the sum of its causes. */
export function doubtOf(f: Finder): Record<string, number> {
  const out: Record<string, number> = {};
  for (const c of f.causes) if (c.element) out[c.element] = (out[c.element] ?? 0) + c.frac;
  return out;
}

export function FinderPicture({ f }: { f: Finder | undefined }) {
  if (!f?.elements.length) return undefined;
  const best = f.tests.find((t) => t.id === f.best);
  return (
    <div className="h-full p-1">
      <CircuitDrawing
        nodes={f.nodes}
        elements={f.elements}
        doubt={doubtOf(f)}
        red={best?.a}
        black={best?.b}
        label={says("drawn-doubt-each-part", { title: f.title })}
      />
    </div>
  );
}

function Ask({ f, test, put }: { f: Finder; test: string; put: (a: Answer) => void }) {
  const say = useSaid();
  const t = f.tests.find((x) => x.id === test);
  if (!t) return null;
  return (
    <div className="my-1">
      {t.how && <p className="my-1 text-dim">{say(t.how)}</p>}
      {t.outcomes.length ? (
        <div className="flex flex-wrap gap-2">
          {t.outcomes.map((o) => (
            <button key={o} type="button" className="btn min-h-10 px-3 text-[15px]" onClick={() => put({ test: t.id, outcome: o, reading: null })}>
              {o}
            </button>
          ))}
        </div>
      ) : (
        <div className="flex items-center gap-2">
          <Quantity
            className="w-40 [&_input]:h-10 [&_input]:text-[17px]"
            label={t.title}
            value={undefined}
            dimension={DIMENSION[t.unit] ?? "voltage"}
            unit={t.unit}
            placeholder={t.unit === "V" ? says("mv") : t.unit}
            onCommit={(q) => q && put({ test: t.id, reading: q.value, outcome: null })}
          />
          {t.sound && <span className="text-dim">{says("sound", { sound: t.sound })}</span>}
        </div>
      )}
    </div>
  );
}

function Starts({ onStart }: { onStart: (key: string) => void }) {
  const starts = useStarts();
  const say = useSaid();
  const [like, setLike] = useState("");
  if (!starts.data) return <p role="status">{says("looking-what-can-searched")}</p>;
  const rows = starts.data.starts.filter((s) => say(s.title).toLowerCase().includes(like.trim().toLowerCase()));
  const fields = [...new Set(rows.map((s) => s.field))];
  return (
    <div className="p-3">
      <h2 className="m-0 mb-1 font-display text-[17px]">{says("what-wrong")}</h2>
      <input
        className="field w-72"
        aria-label={says("search-what-wrong")}
        placeholder={says("fridge-no-hot-water")}
        value={like}
        onChange={(e) => setLike(e.target.value)}
      />
      <div className="mt-2 grid grid-cols-2 gap-x-6 gap-y-3 max-[899px]:grid-cols-1">
        {fields.map((f) => (
          <div key={f}>
            <h3 className="m-0 font-display text-[13px] text-dim">{FIELD[f] ?? f}</h3>
            <ul className="m-0 list-none p-0">
              {rows
                .filter((s) => s.field === f)
                .map((s) => (
                  <li key={s.key}>
                    <button type="button" className="border-0 bg-transparent p-0.5 text-left text-[13px] underline" onClick={() => onStart(s.key)}>
                      {say(s.title, "wiring")}
                    </button>
                  </li>
                ))}
            </ul>
          </div>
        ))}
      </div>
      {!rows.length && <p>{says("nothing-like-take-nearest")}</p>}
    </div>
  );
}

function Mend({ f, onDone }: { f: Finder; onDone: () => void }) {
  const steps = useSteps();
  const [me, setMe] = useProver();
  const [pick, setPick] = useState(f.causes[0]?.id ?? "");
  const [note, setNote] = useState("");
  const cause = f.causes.find((c) => c.id === pick) ?? f.causes[0];
  if (!cause) return null;
  return (
    <form
      className="mt-2 flex flex-wrap items-center gap-1 border-t border-line pt-2"
      onSubmit={(e) => {
        e.preventDefault();
        void steps.repair(f.subject, cause, me.who.trim(), note.trim(), f.minutes).then((ok) => ok && onDone());
      }}
    >
      <b>{says("mended")}</b>
      <select className="field max-w-[18rem]" aria-label={says("what-was-mended")} value={cause.id} onChange={(e) => setPick(e.target.value)}>
        {f.causes
          .filter((c) => c.frac > 0.005 || c.id === pick)
          .map((c) => (
            <option key={c.id} value={c.id}>
              {c.name}
            </option>
          ))}
      </select>
      <input
        className="field w-32"
        aria-label={says("mended-2")}
        placeholder={says("by")}
        value={me.who}
        maxLength={120}
        onChange={(e) => setMe({ ...me, who: e.target.value })}
      />
      <input
        className="field w-48"
        aria-label={says("note-repair")}
        placeholder={says("what-was-done")}
        value={note}
        maxLength={400}
        onChange={(e) => setNote(e.target.value)}
      />
      <button type="submit" className="btn btn-main">
        {says("record-prove-again")}
      </button>
    </form>
  );
}

export function FinderView({
  s,
  set,
  f,
  error,
  onMended,
}: {
  s: Search;
  set: (s: Partial<Search>) => void;
  f: Finder | undefined;
  error: Error | null;
  onMended: () => void;
}) {
  const say = useSaid();
  const [own, setOwn] = useState("");
  if (!s.start) return <Starts onStart={(key) => set({ start: key, answers: [] })} />;
  if (!f)
    return (
      <div className="p-3">
        <p role={error ? "alert" : "status"}>{error ? error.message : says("thinking")}</p>
        <button type="button" className="btn" onClick={() => set({ start: null, answers: [] })}>
          {says("search-something-else")}
        </button>
      </div>
    );
  const put = (a: Answer) => set({ answers: [...s.answers.filter((x) => x.test !== a.test), a] });
  const best = f.tests.find((t) => t.id === f.best);
  const open = f.tests.filter((t) => !t.answer && t.id !== f.best && t.gain != null);
  return (
    <div className="grid grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)] gap-4 p-3 max-[899px]:grid-cols-1">
      <div>
        <h2 className="m-0 font-display text-[18px]">{say(f.title, "wiring")}</h2>
        <p className={`my-2 text-[16px] ${f.state === "found" ? "border-l-4 border-moss pl-2" : ""}`} role="status">
          {say(f.said, "wiring")}
        </p>
        {error && <p role="alert">{error.message}</p>}
        {best && <Ask key={best.id} f={f} test={best.id} put={put} />}
        {f.state !== "search" && <Mend key={f.causes[0]?.id} f={f} onDone={onMended} />}
        {open.length > 0 && (
          <label className="mt-3 block text-[13px]">
            {says("test-your-own-choice")}{" "}
            <select className="field max-w-full" aria-label={says("another-test")} value={own} onChange={(e) => setOwn(e.target.value)}>
              <option value="">{says("choose")}</option>
              {open.map((t) => (
                <option key={t.id} value={t.id}>
                  {t.title} ({t.minutes} min)
                </option>
              ))}
            </select>
          </label>
        )}
        {own && (
          <Ask
            key={own}
            f={f}
            test={own}
            put={(a) => {
              setOwn("");
              put(a);
            }}
          />
        )}
        <p className="mb-1 mt-3 border-l-2 border-rust pl-2 text-[13px]">{say(f.caution, "wiring")}</p>
        <div className="flex flex-wrap items-center gap-2">
          <button type="button" className="btn" onClick={() => set({ start: null, answers: [] })}>
            {says("search-something-else")}
          </button>
          {s.answers.length > 0 && (
            <button type="button" className="btn" onClick={() => set({ answers: s.answers.slice(0, -1) })}>
              {says("take-last-answer-back")}
            </button>
          )}
          <label className="text-[13px]">
            <input type="checkbox" checked={s.licensed} onChange={(e) => set({ licensed: e.target.checked })} /> {say(says("i-hold-licence"))}
          </label>
        </div>
      </div>
      <div>
        <h3 className="m-0 font-display text-[14px]">{says("causes")}</h3>
        <ol className="m-0 list-none p-0" aria-label={says("causes")}>
          {f.causes
            .filter((c) => c.frac >= 0.005)
            .slice(0, 9)
            .map((c) => (
              <li key={c.id} className="relative my-0.5 px-1 text-[13px]">
                <span className="absolute inset-y-0 left-0 bg-rust/20" style={{ width: `${100 * c.frac}%` }} aria-hidden="true" />
                <span className="relative flex justify-between gap-2">
                  <span>{say(c.name, "wiring")}</span>
                  <span className="num">{Math.round(100 * c.frac)} %</span>
                </span>
              </li>
            ))}
        </ol>
        {f.told.length > 0 && (
          <>
            <h3 className="mb-0 mt-3 font-display text-[14px]">{says("what-was-told")}</h3>
            <ol className="m-0 pl-5 text-[13px]">
              {f.told.map((t) => (
                <li key={t.test}>
                  {say(t.title, "wiring")}: <b className="num">{t.answer}</b>
                  {t.out.length > 0 && (
                    <span className="text-dim">
                      {says("ruled-out-more", {
                        out: t.out.slice(0, 3).join("; "),
                        out_count_more: t.out.length > 3,
                        out_count: t.out.length > 3 ? t.out.length - 3 : "",
                      })}
                    </span>
                  )}
                </li>
              ))}
            </ol>
            <p className="my-1 text-[13px] text-dim">
              {says("min-far-bits-doubt", { some_minutes: f.minutes > 0, minutes: f.minutes, alike: Math.max(1, Math.round(2 ** f.bits)) })}
            </p>
          </>
        )}
      </div>
    </div>
  );
}

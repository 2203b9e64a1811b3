/** Small things that were seen and are still to be mended. */
import { useState } from "react";
import { says } from "../../words/build";
import { useDayWord, useLog } from "./data";
import { ZONES } from "./words";

export function PunchList() {
  const dayWord = useDayWord();
  const log = useLog();
  const [name, setName] = useState("");
  const [zone, setZone] = useState("");
  const [must, setMust] = useState(false);
  const open = log.punch.filter((p) => !p.done_on);
  const done = log.punch.filter((p) => p.done_on);
  const add = async () => {
    if (!name.trim()) return;
    if (await log.toMend({ name: name.trim(), zone, must })) {
      setName("");
      setMust(false);
    }
  };
  return (
    <section aria-label={says("small-things-mend")}>
      <h2 className="m-0 mb-1 font-display text-[16px]">{says("small-things-mend")}</h2>
      <ul className="m-0 list-none p-0 text-[13px]">
        {[...open, ...done].map((p) => (
          <li key={p.id} className="flex items-baseline gap-2 border-b border-line/60 py-0.5">
            <label className="flex-1">
              <input type="checkbox" checked={Boolean(p.done_on)} onChange={(e) => void log.mend(p, e.target.checked)} />{" "}
              <span className={p.done_on ? "text-dim line-through" : ""}>{p.name}</span>
              <span className="text-[12px] text-dim">
                {p.zone && ` · ${(ZONES[p.zone] ?? p.zone).toLowerCase()}`}
                {p.must && !p.done_on && says("before-handed-over")}
                {p.done_on && ` · ${dayWord(p.done_on)}`}
              </span>
            </label>
            <button type="button" className="text-[11px] underline" aria-label={says("strike-2", { name: p.name })} onClick={() => void log.dropPunch(p)}>
              {says("strike")}
            </button>
          </li>
        ))}
        {!log.punch.length && <li className="py-1 text-dim">{says("nothing-write-down-what")}</li>}
      </ul>
      <form
        className="mt-1 flex flex-wrap items-center gap-1 text-[13px]"
        onSubmit={(e) => {
          e.preventDefault();
          void add();
        }}
      >
        <input
          className="field min-w-0 flex-1"
          aria-label={says("something-mend")}
          placeholder={says("what-mended")}
          maxLength={80}
          value={name}
          onChange={(e) => setName(e.target.value)}
        />
        <select className="field" aria-label={says("where")} value={zone} onChange={(e) => setZone(e.target.value)}>
          <option value="">{says("where-2")}</option>
          {Object.entries(ZONES).map(([k, w]) => (
            <option key={k} value={k}>
              {w.toLowerCase()}
            </option>
          ))}
        </select>
        <label>
          <input type="checkbox" checked={must} onChange={(e) => setMust(e.target.checked)} /> {says("before-handed-over-2")}
        </label>
        <button type="submit" className="btn" disabled={!name.trim()}>
          {says("add")}
        </button>
      </form>
    </section>
  );
}

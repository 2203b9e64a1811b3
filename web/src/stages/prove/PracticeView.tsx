/** Practice: a hidden fault, two probes and a meter. By mouse or by keys; every act costs minutes, what is unsafe is counted and explained. */
import { useState } from "react";
import { CircuitDrawing } from "./CircuitDrawing";
import { type RigAct, useRig, useRigs } from "./data";

type Session = { rig: string; seed: number; acts: RigAct[]; guess: { element: string; fault: string } | null };
const fresh = (rig: string): Session => ({ rig, seed: Math.floor(Math.random() * 1_000_000), acts: [], guess: null });
const ACTS: Record<string, string> = {
  volts: "Volts",
  ohms: "Ohms",
  amps: "Amps, clamp on the plus",
  fuse: "Fuse out or in",
  switch: "Switch",
  lug: "Battery’s minus off or on",
  swap: "Another appliance in its place",
  hint: "A hint",
};
const COST: Record<string, string> = { volts: "2", ohms: "2", amps: "2", fuse: "1", switch: "½", lug: "6", swap: "8", hint: "5" };

export function usePractice(wanted: boolean) {
  const [s, set] = useState<Session>(() => fresh("lamp"));
  const [red, setRed] = useState("load-plus");
  const [black, setBlack] = useState("load-minus");
  const [next, setNext] = useState<"red" | "black">("red");
  const rig = useRig(s.rig, s.seed, s.acts, s.guess, wanted);
  const probe = (id: string) => {
    if (next === "red") setRed(id);
    else setBlack(id);
    setNext(next === "red" ? "black" : "red");
  };
  const act = (kind: RigAct["act"]) =>
    set({ ...s, acts: [...s.acts, { act: kind, a: kind === "volts" || kind === "ohms" ? red : "", b: kind === "volts" || kind === "ohms" ? black : "" }] });
  return { s, set, red, black, setRed, setBlack, next, setNext, rig, probe, act };
}
type Practice = ReturnType<typeof usePractice>;

export function PracticePicture({ p }: { p: Practice }) {
  const r = p.rig.data;
  if (!r) return null;
  return (
    <div className="relative h-full p-1">
      <span className="absolute left-2 top-1 text-[11px] tracking-wide text-dim">PRACTICE, nothing here proves anything</span>
      <CircuitDrawing
        nodes={r.nodes}
        elements={r.elements}
        red={p.red}
        black={p.black}
        open={[...(r.switch_on ? [] : ["switch"]), ...(r.fuse_in ? [] : ["fuse"])]}
        onNode={p.probe}
        label={`${r.title}, with two probes`}
      />
    </div>
  );
}

export function PracticeView({ p }: { p: Practice }) {
  const rigs = useRigs();
  const r = p.rig.data;
  const [element, setElement] = useState("");
  const kinds = r?.kinds ?? [];
  const elements = [...new Map(kinds.map((k) => [k.element, k.element_name])).entries()];
  const last = r?.acts.at(-1);
  const over = p.s.guess != null && r?.score;
  return (
    <div className="grid grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)] gap-4 p-3 max-[899px]:grid-cols-1">
      <div>
        <div className="flex flex-wrap items-center gap-1">
          <select className="field" aria-label="Rig" value={p.s.rig} onChange={(e) => p.set(fresh(e.target.value))}>
            {rigs.data?.map((x) => (
              <option key={x.key} value={x.key}>
                {"●".repeat(x.level)} {x.title}
              </option>
            ))}
          </select>
          <button type="button" className="btn" onClick={() => p.set(fresh(p.s.rig))}>
            Another fault
          </button>
          <label className="text-[12px] text-dim">
            seed{" "}
            <input
              className="field w-20"
              aria-label="Seed"
              inputMode="numeric"
              value={p.s.seed}
              onChange={(e) => {
                const n = Number(e.target.value);
                if (Number.isInteger(n) && n >= 0 && n <= 999_999) p.set({ ...p.s, seed: n, acts: [], guess: null });
              }}
            />
          </label>
        </div>
        {p.rig.error && <p role="alert">{(p.rig.error as Error).message}</p>}
        <p className="my-2 text-[16px]">{r?.complaint ?? "…"}</p>
        <div className="flex flex-wrap items-center gap-2 text-[13px]">
          {(["red", "black"] as const).map((c) => (
            <label key={c}>
              {c}{" "}
              <select
                className="field"
                aria-label={`${c} probe`}
                value={c === "red" ? p.red : p.black}
                onChange={(e) => (c === "red" ? p.setRed : p.setBlack)(e.target.value)}
              >
                {r?.nodes.map((n) => (
                  <option key={n.id} value={n.id}>
                    {n.name}
                  </option>
                ))}
              </select>
            </label>
          ))}
          <span className="text-dim">a press on the drawing moves the {p.next} one</span>
        </div>
        <div className="my-2 flex flex-wrap gap-1" role="group" aria-label="Acts">
          {(Object.keys(ACTS) as RigAct["act"][]).map((k) => (
            <button key={k} type="button" className="btn" disabled={!!over || !r} onClick={() => p.act(k)} title={`${COST[k]} min`}>
              {ACTS[k]} <span className="num text-dim">{COST[k]}′</span>
            </button>
          ))}
        </div>
        <p className="my-1" role="status">
          The meter: <strong className="num text-[22px]">{last?.said ?? "–"}</strong>
          {last?.unsafe && <span className="block border-l-2 border-rust pl-2 text-rust">{last.unsafe}</span>}
        </p>
        {!over && (
          <div className="mt-2 flex flex-wrap items-center gap-1 border-t border-line pt-2">
            <b>It is</b>
            <select className="field" aria-label="Which part" value={element} onChange={(e) => setElement(e.target.value)}>
              <option value="">which part…</option>
              {elements.map(([id, name]) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
            {kinds
              .filter((k) => k.element === element)
              .map((k) => (
                <button key={k.fault} type="button" className="btn" onClick={() => p.set({ ...p.s, guess: { element, fault: k.fault } })}>
                  {k.name}
                </button>
              ))}
          </div>
        )}
        {over && r?.score && (
          <section className="mt-2 border-t border-line pt-2" aria-label="Score">
            <p className="m-0 text-[18px]">
              <strong className="num">{Math.round(r.score.score)}</strong> of 100:{" "}
              {r.score.right === 1 ? "right" : r.score.right > 0 ? "the right part, another fault" : "not it"}. It was {r.score.truth}.
            </p>
            <p className="my-1 text-[13px]">
              {r.score.minutes} min, {r.score.best_minutes} min by the best policy
              {r.score.unsafe > 0 && `, ${r.score.unsafe} unsafe ${r.score.unsafe === 1 ? "act" : "acts"}`}. {r.score.repair}
            </p>
            <ol className="m-0 pl-5 text-[13px]">
              {r.score.path.map((x) => (
                <li key={x.title}>
                  {x.title}: <span className="num">{x.said}</span>
                </li>
              ))}
            </ol>
            <button type="button" className="btn btn-main mt-1" onClick={() => p.set(fresh(p.s.rig))}>
              Another fault
            </button>{" "}
            <button type="button" className="btn mt-1" onClick={() => p.set({ ...p.s, acts: [], guess: null })}>
              The same again
            </button>
          </section>
        )}
      </div>
      <div>
        <h3 className="m-0 font-display text-[14px]">
          What was done, <span className="num">{r?.minutes ?? 0}</span> min
          {r && r.unsafe > 0 && <span className="text-rust">, {r.unsafe} unsafe</span>}
        </h3>
        <ol className="m-0 pl-5 text-[13px]">
          {r?.acts.map((a, i) => (
            <li key={i} className={a.unsafe ? "text-rust" : undefined}>
              {ACTS[p.s.acts[i]?.act ?? ""] ?? ""}
              {p.s.acts[i]?.a && ` ${r.nodes.find((n) => n.id === p.s.acts[i]?.a)?.name} to ${r.nodes.find((n) => n.id === p.s.acts[i]?.b)?.name}`}:{" "}
              <b className="num">{a.said}</b>
            </li>
          ))}
        </ol>
        <p className="mt-3 text-[12px] text-dim">
          Training for the real thing, and not it: a real circuit has more faults than one, and a spark hurts. A blown fuse stays blown until it is replaced.
        </p>
      </div>
    </div>
  );
}

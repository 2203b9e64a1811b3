/** Practice: a hidden fault in wires (two probes and a meter) or in pipes (taps, valves and a gauge). By mouse or by keys; every act costs minutes, what is
 * unsafe is counted and explained. */
import { useState } from "react";
import { useSaid } from "../../shell/person";
import { says } from "../../words/prove";
import { CircuitDrawing } from "./CircuitDrawing";
import { type Rig, type RigAct, useRig, useRigs } from "./data";
import { PipeDrawing } from "./PipeDrawing";

type Session = { rig: string; seed: number; acts: RigAct[]; guess: { element: string; fault: string } | null };
const fresh = (rig: string): Session => ({ rig, seed: Math.floor(Math.random() * 1_000_000), acts: [], guess: null });
type Offer = Rig["offers"][number];
const half = (n: number) => (n === 0.5 ? "½" : String(n));

export function usePractice(wanted: boolean) {
  const [s, set] = useState<Session>(() => fresh("lamp"));
  const [red, setRed] = useState("load-plus");
  const [black, setBlack] = useState("load-minus");
  const [next, setNext] = useState<"red" | "black">("red");
  const [gauge, setGauge] = useState("");
  const rig = useRig(s.rig, s.seed, s.acts, s.guess, wanted);
  const probe = (id: string) => {
    if (next === "red") setRed(id);
    else setBlack(id);
    setNext(next === "red" ? "black" : "red");
  };
  const points = rig.data?.probed ?? [];
  const at = points.includes(gauge) ? gauge : (points[0] ?? "");
  const act = (o: Offer, part = "") => {
    const [a, b] = o.takes === "points" ? [red, black] : [o.takes === "point" ? at : part, ""];
    set({ ...s, acts: [...s.acts, { act: o.act, a, b }] });
  };
  const over = s.guess != null && rig.data?.score != null;
  return { s, set, red, black, setRed, setBlack, next, gauge: at, setGauge, rig, probe, act, over };
}
type Practice = ReturnType<typeof usePractice>;

/** What turns a part of the pipes: a tap, a valve, or the pump or bottle itself. */
export function turnOf(r: Rig, id: string): Offer | undefined {
  const kind = r.elements.find((e) => e.id === id)?.kind;
  if (kind === "pump" || kind === "bottle") return r.offers.find((o) => o.act === "supply");
  return r.offers.find((o) => (o.act === "outlet" || o.act === "valve") && o.of.includes(id));
}

export function PracticePicture({ p }: { p: Practice }) {
  const r = p.rig.data;
  if (!r) return null;
  return (
    <div className="relative h-full p-1">
      <span className="absolute left-2 top-1 text-[11px] tracking-wide text-dim">{says("practice-nothing-here-proves")}</span>
      {r.medium === "wires" ? (
        <CircuitDrawing
          nodes={r.nodes}
          elements={r.elements}
          red={p.red}
          black={p.black}
          open={r.shut}
          onNode={p.probe}
          label={says("two-probes", { title: r.title })}
        />
      ) : (
        <PipeDrawing
          nodes={r.nodes}
          elements={r.elements}
          shut={r.shut}
          probed={r.probed}
          gauge={p.gauge}
          onGauge={p.setGauge}
          onPart={(e) => {
            const turn = turnOf(r, e.id);
            return turn && !p.over ? () => p.act(turn, turn.takes === "part" ? e.id : "") : undefined;
          }}
          label={says("gauge", { title: r.title })}
        />
      )}
    </div>
  );
}

/** An act: a button; where it is done to a part, a choice of parts beside it. */
function ActButton({ o, p, r }: { o: Offer; p: Practice; r: Rig }) {
  const say = useSaid();
  const [part, setPart] = useState("");
  const chosen = o.of.includes(part) ? part : (o.of[0] ?? "");
  const names = new Map(r.elements.map((e) => [e.id, e.name]));
  const shut = r.shut.includes(chosen);
  const state = o.act === "outlet" || o.act === "valve" ? (shut ? says("shut-now") : says("open-now")) : "";
  return (
    <span className="inline-flex">
      <button type="button" className="btn" disabled={p.over} onClick={() => p.act(o, o.takes === "part" ? chosen : "")}>
        {say(o.title)} <span className="num text-dim">{half(o.minutes)}′</span>
      </button>
      {o.takes === "part" && (
        <select className="field max-w-[13rem]" aria-label={says("which", { title: o.title })} value={chosen} onChange={(e) => setPart(e.target.value)}>
          {o.of.map((id) => (
            <option key={id} value={id}>
              {say(names.get(id) ?? "")}
              {id === chosen ? state : ""}
            </option>
          ))}
        </select>
      )}
      {o.takes === "point" && (
        <select className="field max-w-[13rem]" aria-label={says("where", { title: o.title })} value={p.gauge} onChange={(e) => p.setGauge(e.target.value)}>
          {r.probed.map((id) => (
            <option key={id} value={id}>
              {say(r.nodes.find((n) => n.id === id)?.name ?? "")}
            </option>
          ))}
        </select>
      )}
    </span>
  );
}

export function PracticeView({ p }: { p: Practice }) {
  const rigs = useRigs();
  const r = p.rig.data;
  const [element, setElement] = useState("");
  const kinds = r?.kinds ?? [];
  const elements = [...new Map(kinds.map((k) => [k.element, k.element_name])).entries()];
  const last = r?.acts.at(-1);
  const over = p.over;
  const say = useSaid();
  const titles = new Map(r?.offers.map((o) => [o.act, o.title]));
  const nameOf = (a: RigAct | undefined, id: string | undefined) =>
    (r?.offers.find((o) => o.act === a?.act)?.takes === "part" ? r?.elements : r?.nodes)?.find((x) => x.id === id)?.name ?? "";
  return (
    <div className="grid grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)] gap-4 p-3 max-[899px]:grid-cols-1">
      <div>
        <div className="flex flex-wrap items-center gap-1">
          <select className="field" aria-label={says("rig")} value={p.s.rig} onChange={(e) => p.set(fresh(e.target.value))}>
            {rigs.data?.map((x) => (
              <option key={x.key} value={x.key}>
                {"●".repeat(x.level)} {say(x.title)}
              </option>
            ))}
          </select>
          <button type="button" className="btn" onClick={() => p.set(fresh(p.s.rig))}>
            {says("another-fault")}
          </button>
          <label className="text-[12px] text-dim">
            {says("seed")}{" "}
            <input
              className="field w-20"
              aria-label={says("seed-2")}
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
        <p className="my-2 text-[16px]">{r ? say(r.complaint) : "…"}</p>
        {r?.medium === "wires" && (
          <div className="flex flex-wrap items-center gap-2 text-[13px]">
            {(["red", "black"] as const).map((c) => (
              <label key={c}>
                {says("probe-colour", { is_red: c === "red" })}{" "}
                <select
                  className="field"
                  aria-label={says("probe", { is_red: c === "red" })}
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
            <span className="text-dim">{says("press-drawing-moves-one", { next: p.next })}</span>
          </div>
        )}
        {r && r.medium !== "wires" && <p className="my-0 text-[13px] text-dim">{say(says("drawing-press-turns-tap"))}</p>}
        <p className="my-1" role="status">
          {r?.medium === "wires" || !r ? says("meter-2") : says("what-seen")}: <strong className="num text-[22px]">{last ? say(last.said) : "–"}</strong>
          {last?.unsafe && <span className="block border-l-2 border-rust pl-2 text-rust">{last.unsafe}</span>}
        </p>
        {!over && (
          <div className="my-2 flex flex-wrap gap-1" role="group" aria-label={says("acts")}>
            {r?.offers.map((o) => (
              <ActButton key={o.act} o={o} p={p} r={r} />
            ))}
          </div>
        )}
        {!over && (
          <div className="mt-2 flex flex-wrap items-center gap-1 border-t border-line pt-2">
            <b>{says("it-is")}</b>
            <select className="field" aria-label={says("which-part")} value={element} onChange={(e) => setElement(e.target.value)}>
              <option value="">{says("which-part-2")}</option>
              {elements.map(([id, name]) => (
                <option key={id} value={id}>
                  {say(name)}
                </option>
              ))}
            </select>
            {kinds
              .filter((k) => k.element === element)
              .map((k) => (
                <button key={k.fault} type="button" className="btn" onClick={() => p.set({ ...p.s, guess: { element, fault: k.fault } })}>
                  {say(k.name)}
                </button>
              ))}
          </div>
        )}
        {over && r?.score && (
          <section className="mt-2 border-t border-line pt-2" aria-label={says("score")}>
            <p className="m-0 text-[18px]">
              <strong className="num">{Math.round(r.score.score)}</strong>{" "}
              {says("right-right-part-another", { right: r.score.right, some_right: r.score.right > 0, truth: say(r.score.truth) })}
            </p>
            <p className="my-1 text-[13px]">
              {says("min-min-best-policy", {
                minutes: r.score.minutes,
                best_minutes: r.score.best_minutes,
                some_unsafe: r.score.unsafe > 0,
                unsafe: r.score.unsafe,
                repair: say(r.score.repair),
              })}
            </p>
            <ol className="m-0 pl-5 text-[13px]">
              {r.score.path.map((x) => (
                <li key={x.title}>
                  {say(x.title)}: <span className="num">{say(x.said)}</span>
                  {x.out.length > 0 && (
                    <span className="text-dim">
                      {says("rules-out-causes", { out_count_less: x.out.length < 3, out: x.out.join(says("and")), out_count: x.out.length })}
                    </span>
                  )}
                </li>
              ))}
            </ol>
            <button type="button" className="btn btn-main mt-1" onClick={() => p.set(fresh(p.s.rig))}>
              {says("another-fault")}
            </button>{" "}
            <button type="button" className="btn mt-1" onClick={() => p.set({ ...p.s, acts: [], guess: null })}>
              {says("same-again")}
            </button>
          </section>
        )}
      </div>
      <div>
        <h2 className="m-0 font-display text-[14px]">
          {says("what-was-done-2")} <span className="num">{r?.minutes ?? 0}</span> min
          {r && r.unsafe > 0 && <span className="text-rust">{says("unsafe", { unsafe: r.unsafe })}</span>}
        </h2>
        <ol className="m-0 pl-5 text-[13px]">
          {r?.acts.map((a, i) => (
            <li key={i} className={a.unsafe ? "text-rust" : undefined}>
              {say(titles.get(p.s.acts[i]?.act ?? "hint") ?? "")}
              {p.s.acts[i]?.a && `, ${say(nameOf(p.s.acts[i], p.s.acts[i].a))}`}
              {p.s.acts[i]?.b && says("to-2", { i: say(nameOf(p.s.acts[i], p.s.acts[i].b)) })}: <b className="num">{say(a.said)}</b>
            </li>
          ))}
        </ol>
        <p className="mt-3 text-[12px] text-dim">{says("training-real-thing-not", { r: (r && say(r.caution)) ?? "", is_wires: r?.medium === "wires" })}</p>
      </div>
    </div>
  );
}

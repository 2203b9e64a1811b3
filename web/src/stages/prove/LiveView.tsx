/** Live: a lane for each quantity with the band that is expected under it, alarms, and what was said wrongly. Simulated values say so, always. */

import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, type Schemas, take } from "../../data/client";
import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { useSaid } from "../../shell/person";
import { says } from "../../words/prove";
import { type Live, useLiveDay } from "./data";

type Lane = Live["lanes"][number];
const W = 360;
const H = 64;
const SPANS = { minutes: { word: says("ten-minutes"), s: 600 }, day: { word: says("day"), s: 86400 } } as const;
type Span = keyof typeof SPANS;
const STATE: Record<string, string> = {
  ok: says("expected"),
  dropout: says("silent"),
  stuck: says("stuck"),
  noise: says("noisy"),
  drift: says("drifts"),
  offset: says("off"),
};
const FAILURES = [
  ["offset", says("off"), { offset: 0.15 }],
  ["noise", says("noisy"), { noise: 0.2 }],
  ["stuck", says("stuck"), { stuck: true }],
  ["drift", says("drifts"), { drift_per_h: 3 }],
] as const;

/** A live value in its unit; a share in per cent, volts to the hundredth. */
export const amount = (v: number | null | undefined, unit: string) =>
  v == null ? "–" : unit === "V" ? show(v, unit, "metric", 4) : unit ? show(v, unit) : `${Math.round(100 * v)} %`;

/** The range of a lane: its band and its points, with some air. */
export function rangeOf(x: Pick<Lane, "low" | "high" | "expected">, points: number[][]): [number, number] {
  let low = Math.min(x.low, x.high, x.expected);
  let high = Math.max(x.low, x.high, x.expected);
  for (const p of points) {
    low = Math.min(low, p[1] ?? low);
    high = Math.max(high, p[1] ?? high);
  }
  const air = 0.15 * Math.max(high - low, 1e-3, 0.02 * Math.abs(high));
  return [low - air, high + air];
}

/** Points as lines; where nothing was said for long the line ends. */
export function linesOf(points: number[][], gapS: number): number[][][] {
  const out: number[][][] = [];
  for (const p of points) {
    const last = out.at(-1)?.at(-1);
    if (!last || Math.abs((last[0] ?? 0) - (p[0] ?? 0)) > gapS) out.push([p]);
    else out.at(-1)?.push(p);
  }
  return out;
}

type Day = Schemas["DayPart"];

function LaneCard({ x, day, span, fail }: { x: Lane; day: Day | undefined; span: Span; fail: (x: Lane, what: object) => void }) {
  const say = useSaid();
  const points = span === "day" ? (day?.points ?? []) : x.points;
  // over ten minutes what is expected hardly moves; over a day it goes its own way
  const band = span === "day" ? (day?.expected ?? []) : [SPANS.minutes.s, 0].map((ago) => [ago, x.low, x.expected, x.high]);
  const [low, high] = rangeOf(x, [
    ...points,
    ...band.flatMap((b) => [
      [0, b[1] ?? x.low],
      [0, b[3] ?? x.high],
    ]),
  ]);
  const y = (v: number) => H - ((v - low) / (high - low)) * H;
  const at = (ago: number) => W - (Math.min(ago, SPANS[span].s) / SPANS[span].s) * W;
  const at3 = (b: number[], i: number) => `${at(b[0] ?? 0).toFixed(1)},${y(b[i] ?? 0).toFixed(1)}`;
  const wrong = x.state !== "ok";
  return (
    <section aria-label={x.name} className={`relative border bg-sheet p-2 ${wrong ? "border-rust" : "border-line"}`}>
      <div className="flex items-baseline justify-between gap-2">
        <h2 className="m-0 text-[13px] font-semibold">{x.name}</h2>
        <span className="num text-[18px]">{say(amount(x.value, x.unit))}</span>
      </div>
      <svg
        viewBox={`0 0 ${W} ${H}`}
        className="block h-16 w-full"
        role="img"
        aria-label={says("last", { name: x.name, word: SPANS[span].word, state: STATE[x.state] ?? x.state })}
        preserveAspectRatio="none"
      >
        <polygon points={[...band.map((b) => at3(b, 3)), ...band.map((b) => at3(b, 1)).reverse()].join(" ")} fill="var(--color-loch)" opacity="0.15" />
        <path
          d={band.map((b, i) => `${i ? "L" : "M"}${at3(b, 2)}`).join(" ")}
          fill="none"
          stroke="var(--color-loch)"
          strokeDasharray="4 4"
          vectorEffect="non-scaling-stroke"
        />
        {linesOf(points, span === "day" ? 180 : 30).map((line) => (
          <polyline
            key={line[0]?.[0]}
            points={line.map(([ago, v]) => `${at(ago ?? 0).toFixed(1)},${y(v ?? 0).toFixed(1)}`).join(" ")}
            fill="none"
            stroke={wrong ? "var(--color-rust)" : "var(--color-moss)"}
            strokeWidth="1.6"
            vectorEffect="non-scaling-stroke"
          />
        ))}
      </svg>
      {x.simulated && (
        <span
          className="pointer-events-none absolute inset-0 grid place-items-center text-[22px] font-semibold uppercase tracking-[0.3em] text-peat/15"
          aria-hidden="true"
        >
          {says("simulated")}
        </span>
      )}
      <div className="flex flex-wrap items-baseline justify-between gap-1 text-[12px] text-dim">
        <span>
          {say(says("expected-2", { expected: amount(x.expected, x.unit), low: amount(x.low, x.unit), high: amount(x.high, x.unit) }))}{" "}
          <b className={wrong ? "text-rust" : ""}>{x.flags.map((f) => STATE[f] ?? f).join(", ") || STATE.ok}</b>
          {x.simulated && <span className="sr-only">{says("simulated-2")}</span>}
        </span>
        {x.simulated && (
          <select
            className="field py-0 text-[11px]"
            aria-label={says("spoil", { name: x.name })}
            value=""
            onChange={(e) => {
              const found = FAILURES.find(([k]) => k === e.target.value);
              if (!found) return;
              const size = Math.max(Math.abs(x.high - x.low), 0.1 * Math.abs(x.expected), 0.1);
              const what = Object.fromEntries(Object.entries(found[2]).map(([k, v]) => [k, typeof v === "number" ? v * 10 * size : v]));
              fail(x, what);
            }}
          >
            <option value="">{says("spoil-2")}</option>
            {FAILURES.map(([k, word]) => (
              <option key={k} value={k}>
                {word}
              </option>
            ))}
          </select>
        )}
      </div>
    </section>
  );
}

export function LiveView({ live, error }: { live: Live | undefined; error: Error | null }) {
  const say = useSaid();
  const { id } = useVariant();
  const client = useQueryClient();
  const [wrong, setWrong] = useState<string | null>(null);
  const [span, setSpan] = useState<Span>("minutes");
  const [sure, setSure] = useState(false);
  const days = useLiveDay(span === "day" && live != null);
  if (!live)
    return (
      <p className="p-3" role={error ? "alert" : "status"}>
        {error ? error.message : says("reckoning-what-should-said")}
      </p>
    );
  const path = { params: { path: { variant_id: id } } };
  const tried = (what: Promise<unknown>) => void what.then(() => setWrong(null)).catch((e: Error) => setWrong(e.message));
  const fail = (x: Lane, what: object) =>
    tried(take(api.POST("/api/variants/{variant_id}/live/failure", { ...path, body: { device: x.device, key: x.key, ...what } as never })));
  const again = () => client.invalidateQueries({ queryKey: ["live", id] });
  const always = (on: boolean) => tried(take(api.PUT("/api/variants/{variant_id}/live/always", { ...path, body: { on } })).then(again));
  const forget = () => tried(take(api.DELETE("/api/variants/{variant_id}/live/values", path)).then(() => setSure(false)));
  const seen = (alarm: string) => tried(take(api.POST("/api/variants/{variant_id}/live/seen", { ...path, body: { alarm } })));
  return (
    <div className="p-3">
      {!live.connected && (
        <p role="note" className="m-0 mb-2 border-l-2 border-gorse pl-2">
          {says("nobody-answers-port-terminal", { port: live.port })} <code>{says("bothy-devices")}</code> {says("starts-stand-ins-vehicles")}
        </p>
      )}
      {live.alarms.length > 0 && live.connected && (
        <ul aria-label={says("alarms")} className="m-0 mb-2 list-none p-0">
          {live.alarms.map((a) => (
            <li
              key={a.id}
              className={`my-1 flex flex-wrap items-baseline gap-2 border-l-4 pl-2 ${a.severity === "danger" ? "border-rust" : a.severity === "fault" ? "border-gorse" : "border-line"} ${a.seen ? "opacity-60" : ""}`}
            >
              <b>{say(a.title)}</b> <span className="text-[13px]">{say(a.todo)}</span>{" "}
              <span className="num text-[12px] text-dim">{Math.round(a.since_s)} s</span>
              {!a.seen && (
                <button type="button" className="btn" onClick={() => seen(a.id)}>
                  {says("seen")}
                </button>
              )}
            </li>
          ))}
        </ul>
      )}
      {wrong && (
        <p role="alert" className="m-0 mb-2 text-rust">
          {say(wrong)}
        </p>
      )}
      <div className="mb-2 flex flex-wrap items-center gap-2">
        <span role="group" aria-label={says("time-shown")}>
          {(Object.keys(SPANS) as Span[]).map((k) => (
            <button
              key={k}
              type="button"
              className={`btn ${span === k ? "!border-gorse font-semibold" : ""}`}
              aria-pressed={span === k}
              onClick={() => setSpan(k)}
            >
              {SPANS[k].word}
            </button>
          ))}
        </span>
        <label className="flex items-center gap-1">
          <input type="checkbox" checked={live.always} onChange={(e) => always(e.target.checked)} /> {says("listen-although-nobody-looks")}
        </label>
        <span className="flex-1" />
        <a className="btn no-underline" href={`/api/variants/${id}/live/values.csv`} download>
          {says("values-table")}
        </a>
        {sure ? (
          <>
            <button type="button" className="btn" onClick={forget}>
              {says("forget-all-kept-values")}
            </button>
            <button type="button" className="btn" onClick={() => setSure(false)}>
              {says("keep-them")}
            </button>
          </>
        ) : (
          <button type="button" className="btn" onClick={() => setSure(true)}>
            {says("forget")}
          </button>
        )}
      </div>
      <div className="grid grid-cols-[repeat(auto-fill,minmax(19rem,1fr))] gap-2">
        {live.lanes.map((x) => (
          <LaneCard key={`${x.device}${x.key}`} x={x} day={days.data?.find((d) => d.device === x.device && d.key === x.key)} span={span} fail={fail} />
        ))}
      </div>
      {days.error && (
        <p role="alert" className="text-rust">
          {days.error.message}
        </p>
      )}
      {live.simulated && (
        <button type="button" className="btn mt-2" onClick={() => tried(take(api.DELETE("/api/variants/{variant_id}/live/failure", path)))}>
          {says("take-all-failures-out")}
        </button>
      )}
      {live.told.length > 0 && (
        <details className="mt-2 text-[13px]">
          <summary className="cursor-pointer">{says("what-was-said-wrongly", { told_count: live.told.length })}</summary>
          <ul className="m-0 pl-5">
            {live.told.map((t) => (
              <li key={t}>{t}</li>
            ))}
          </ul>
        </details>
      )}
      <p className="mt-2 border-l-2 border-rust pl-2 text-[13px]">{says("screen-no-alarm-only", { simulated: live.simulated })}</p>
    </div>
  );
}

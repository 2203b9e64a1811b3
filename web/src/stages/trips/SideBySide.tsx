/** Side by side: this supply, the other ways to build it, and the project's other variants, on the same days, appliances and weathers. */

import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useCallback } from "react";
import { api, type Schemas, take } from "../../data/client";
import { show } from "../../data/show";
import { useTrip } from "../../data/trip";
import { useVariant } from "../../data/variant";
import { type Column, Ledger } from "../../parts/Ledger";
import { useWidth } from "../../pictures/useWidth";
import { Bench } from "../../shell/Bench";
import { useHand } from "../../shell/hand";
import { useMoney, usePerson, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { says } from "../../words/trips";
import { Adopt } from "./Adopt";
import { moment } from "./run";
import { ViewSwitch } from "./ViewSwitch";

type Beside = Schemas["Beside"];
const ROW = 34;

/** The change of short days against the first row, in points, or that it can't be told apart. */
export function changeWords(b: Pick<Beside, "change_frac" | "differs_known">): string {
  if (b.change_frac == null) return "";
  if (!b.differs_known) return says("no-difference");
  return says("points", { value: b.change_frac > 0 ? "+" : "−", change_frac: Math.abs(100 * b.change_frac) });
}

function useBeside() {
  const { id, revision, design } = useVariant();
  const ready = ((design.trips?.legs ?? []).length > 0 || design.trips?.live != null) && design.trips?.start_date != null && design.power?.bank != null;
  return useQuery({
    queryKey: ["beside", id, revision],
    queryFn: () => take(api.GET("/api/variants/{variant_id}/beside", { params: { path: { variant_id: id }, query: { revision } } })),
    placeholderData: keepPreviousData,
    enabled: ready,
    retry: false,
  });
}

function Strips({ rows }: { rows: Beside[] }) {
  const { currency, money } = useMoney();
  const { units } = usePerson();
  const hand = useHand();
  const [box, width] = useWidth<HTMLDivElement>();
  const left = width < 640 ? 112 : 190;
  const wide = (width - left - 20) / 3;
  const lanes: { word: string; of: (b: Beside) => number | null | undefined; unit: string; most: number; fill: string }[] = [
    {
      word: says("days-short"),
      of: (b) => b.short_days_frac,
      unit: "%",
      most: Math.max(0.01, ...rows.map((b) => b.short_days_frac ?? 0)),
      fill: "var(--color-rust)",
    },
    { word: says("price"), of: (b) => b.price, unit: currency, most: Math.max(1, ...rows.map((b) => b.price ?? 0)), fill: "var(--color-loch)" },
    { word: says("mass"), of: (b) => b.mass_kg, unit: "kg", most: Math.max(1, ...rows.map((b) => b.mass_kg)), fill: "var(--color-heather)" },
  ];
  return (
    <div ref={box} className="px-2 pt-1">
      <svg viewBox={`0 0 ${width} ${26 + rows.length * ROW}`} className="block w-full" role="img" aria-label={says("days-short-price-mass")}>
        {lanes.map((l, i) => (
          <text key={l.word} x={left + i * wide} y={14} fontSize="11.5" fontWeight="600" fill="currentColor">
            {l.word}
          </text>
        ))}
        {rows.map((b, n) => (
          <g key={b.key} transform={`translate(0 ${24 + n * ROW})`} className="cursor-pointer" onClick={() => hand.pick("beside", b.key)}>
            {hand.kind === "beside" && hand.id === b.key && <rect x="0" y="0" width={width} height={ROW - 2} fill="var(--color-gorse)" opacity="0.16" />}
            <text x="4" y="20" fontSize="12" fontWeight={b.kind === "this" ? 700 : 400} fill="currentColor">
              {b.name.length > left / 6.3 ? `${b.name.slice(0, Math.floor(left / 6.6))}…` : b.name}
            </text>
            {lanes.map((l, i) => {
              const v = l.of(b);
              const long = v == null ? 0 : (v / l.most) * Math.max(8, wide - 84);
              return (
                <g key={l.word} transform={`translate(${left + i * wide} 0)`}>
                  <path d={`M0 4v${ROW - 10}`} stroke="var(--color-line)" />
                  <rect x="0" y="9" width={long} height={ROW - 20} fill={l.fill} opacity="0.75" />
                  <text x={long + 5} y="20" fontSize="11.5" className="num" fill="currentColor">
                    {v == null ? says("unknown") : l.unit === currency ? money(v) : show(v, l.unit, units, 3)}
                  </text>
                </g>
              );
            })}
          </g>
        ))}
      </svg>
    </div>
  );
}

function BesideSlate({ b, held, first }: { b: Beside | undefined; held: string[]; first: string | null }) {
  const say = useSaid();
  const { money } = useMoney();
  const { units } = usePerson();
  const hand = useHand();
  if (!b)
    return (
      <Slate title={says("side-side")} sub={says("what-held-equal")}>
        <ul className="m-0 pl-4">
          {held.map((h) => (
            <li key={h}>{h}</li>
          ))}
        </ul>
        <p className="my-2">{says("pick-row-what-what")}</p>
        <p className="my-1 text-[12px] text-chalk-dim">{say(says("difference-counts-only-when"))}</p>
      </Slate>
    );
  const fact = (word: string, value: string) => (
    <>
      <dt>{word}</dt>
      <dd>{value}</dd>
    </>
  );
  return (
    <Slate title={b.name} sub={b.words.join("; ")}>
      {b.risk && <p className="my-1 border-l-2 border-[#f08a70] pl-2 text-[12px]">{b.risk}</p>}
      {b.problem && <p role="alert">{says("cant-run", { problem: b.problem })}</p>}
      <dl className="m-0 grid grid-cols-[1fr_auto] gap-x-2 [&_dd]:num [&_dd]:m-0 [&_dd]:text-right [&_dt]:border-b [&_dt]:border-slate-2 [&_dd]:border-b [&_dd]:border-slate-2">
        {fact(says("price"), b.price == null ? says("part-without-price") : money(b.price))}
        {fact(says("mass"), show(b.mass_kg, "kg", units))}
        {fact(says("days-short"), `${show(b.short_days_frac, "%", units, 2)}${b.error_frac ? ` ± ${(100 * b.error_frac).toFixed(1)}` : ""}`)}
        {b.change_frac != null && fact(says("against-variant"), changeWords(b))}
        {fact(says("first-short-half-trips-2"), first ?? "never")}
        {fact(says("missing-day"), show(b.missing_wh_day, "Wh", units, 2))}
        {fact(says("sun-left-unused-day"), show(b.curtailed_wh_day, "Wh", units, 2))}
        {fact(says("sun-2"), show(b.solar_frac, "%", units, 2))}
        {fact(says("least-charge-trip"), show(b.least_soc_p10, "%", units, 2))}
        {b.generator_h != null && fact(says("generator-trip"), show(b.generator_h, "h", units, 2))}
        {fact(says("full-cycles-year"), show(b.cycles_year, "", units, 2))}
        {fact(says("dangers-problems-power"), `${b.dangers} and ${b.faults}`)}
      </dl>
      {b.generator_h != null && b.generator_h > 0 && <p className="my-1 text-[11.5px] text-chalk-dim">{say(says("generator-runs-outdoors-exhaust"))}</p>}
      {b.patch.length > 0 && <Adopt ops={b.patch as never} name={b.name} onHere={() => hand.drop()} />}
    </Slate>
  );
}

export function SideBySide() {
  const say = useSaid();
  const { units } = usePerson();
  const { money } = useMoney();
  const { design } = useVariant();
  const hand = useHand();
  const trip = useTrip();
  const found = useBeside();
  const rows = found.data?.rows ?? [];
  const best = rows
    .filter((b) => b.short_days_frac != null)
    .sort((a, b) => (a.short_days_frac ?? 1) - (b.short_days_frac ?? 1) || (a.price ?? 1e9) - (b.price ?? 1e9))[0];
  const surer = best != null && best.kind !== "this" && best.differs_known;
  const first = (b: Beside) => (b.first_short_d != null && trip.data ? say(moment(trip.data, b.first_short_d)) : null);
  const columns: Column<Beside>[] = [
    {
      key: "name",
      label: says("supply"),
      width: "22%",
      kind: "computed",
      show: (b) => <span className={`font-sans text-peat ${b.kind === "this" ? "font-semibold" : ""}`}>{b.name}</span>,
    },
    { key: "words", label: says("what-2"), width: "30%", kind: "computed", show: (b) => <span className="font-sans text-peat">{b.words.join("; ")}</span> },
    {
      key: "short",
      label: says("days-short"),
      width: "10%",
      align: "right",
      kind: "computed",
      show: (b) => (b.problem ? "–" : show(b.short_days_frac, "%", "metric", 2)),
    },
    { key: "change", label: says("against"), width: "14%", align: "right", kind: "computed", show: changeWords },
    { key: "price", label: says("price"), width: "8%", align: "right", kind: "computed", show: (b) => money(b.price) },
    { key: "mass", label: says("mass"), width: "8%", align: "right", kind: "computed", show: (b) => show(b.mass_kg, "kg", units) },
    { key: "risk", label: says("dangers-problems"), width: "8%", align: "right", kind: "computed", show: (b) => `${b.dangers}, ${b.faults}` },
  ];
  const ready = rows.length > 0;
  return (
    <Bench
      title={says("trips")}
      sentence={
        ready && best && !surer
          ? says("ways-supply-trip-none", { rows_count: rows.length, short_days_frac: show(rows[0]?.short_days_frac, "%", "metric", 2) })
          : ready && best
            ? says("ways-supply-trip-runs", { rows_count: rows.length, best: best.name, short_days_frac: show(best.short_days_frac, "%", "metric", 2) })
            : design.power?.bank == null
              ? says("schools-side-side-lead")
              : say(says("schools-side-side-lead-lithium"))
      }
      picture={ready ? <Strips rows={rows} /> : undefined}
      tools={
        <>
          <ViewSwitch />
          {found.isFetching && <span role="status">{says("running-them")}</span>}
          <span className="text-dim">
            {found.data && say(says("days-simulated-trips-each", { day_count: found.data.day_count, draw_count: found.data.draw_count }))}
          </span>
        </>
      }
      ledger={
        <>
          {found.error && (
            <p role="alert" className="m-2 text-rust">
              {found.error.message}
            </p>
          )}
          <Ledger
            label={says("supplies-side-side")}
            rows={rows}
            columns={columns}
            id={useCallback((b: Beside) => b.key, [])}
            selected={hand.kind === "beside" ? hand.id : undefined}
            onSelect={(b) => hand.pick("beside", b.key)}
            empty={<p className="m-0 max-w-xl text-[15px]">{says("nothing-compare-yet-trip")}</p>}
          />
        </>
      }
      slate={
        <BesideSlate
          b={hand.kind === "beside" ? rows.find((x) => x.key === hand.id) : undefined}
          held={found.data?.held ?? []}
          first={(() => {
            const b = rows.find((x) => x.key === hand.id);
            return b ? first(b) : null;
          })()}
        />
      }
    />
  );
}

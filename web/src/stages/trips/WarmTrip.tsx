/** What a run says of warmth: heat and fuel, electricity of heater and cooler, hours too hot or too damp; and what is filled up on a leg. */
import type { Schemas } from "../../data/client";
import { dayMonth, HEAT_W, show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { usePerson, useSaid } from "../../shell/person";
import { says } from "../../words/trips";
import { type Leg, useLegEdits } from "./edit";
import { moment, type TripRun } from "./run";

type Refill = Schemas["Leg"]["refills"] extends (infer R)[] | undefined ? R : never;
const REFILLS: { value: Refill; word: string }[] = [
  { value: "diesel" as Refill, word: says("diesel-petrol") },
  { value: "gas" as Refill, word: says("gas-bottle") },
  { value: "water" as Refill, word: says("fresh-water") },
  { value: "grey_dump" as Refill, word: says("grey-tank-emptied") },
  { value: "toilet_dump" as Refill, word: says("toilet-emptied") },
];

/** The words of a run about warmth, a line each: what, and how much. */
export function warmRows(run: TripRun, units: "metric" | "us"): [string, string][] {
  const w = run.warm;
  const rows: [string, string][] = [];
  if (w.heat_kwh > 0.05) rows.push([says("heat-heater"), `${w.heat_kwh.toFixed(0)} kWh`]);
  if (w.diesel_l > 0.05) rows.push([says("liquid-fuel"), show(w.diesel_l, "L", units)]);
  if (w.gas_kg > 0.01) rows.push([says("gas-2"), show(w.gas_kg, "kg", units)]);
  if (w.fuel_first_d != null) rows.push([says("fuel-out-half-them"), moment(run, w.fuel_first_d)]);
  if (w.heater_wh_day > 0.5) rows.push([says("heaters-electricity-day"), show(w.heater_wh_day, "Wh")]);
  if (w.cooler_wh_day > 0.5) rows.push([says("coolers-electricity-day"), show(w.cooler_wh_day, "Wh")]);
  rows.push([says("coldest-inside"), show(w.coldest_p10_c, "°C", units, 2)], [says("hottest-inside"), show(w.hottest_p90_c, "°C", units, 2)]);
  if (w.hot_h >= 1) rows.push([says("over-c-day"), `${(w.hot_h / run.day_count).toFixed(1)} h`]);
  if (w.damp_h >= 1) rows.push([says("over-humidity-day"), `${(w.damp_h / run.day_count).toFixed(1)} h`]);
  if (w.wet_h >= 1) rows.push([says("water-coldest-face"), show(w.condensed_kg, "kg", units)]);
  if (w.bay_frac > 0) rows.push([says("bay-under-c"), says("them", { bay_frac: Math.round(100 * w.bay_frac) })]);
  return rows;
}

export function WarmSummary({ run }: { run: TripRun }) {
  const say = useSaid();
  const { units } = usePerson();
  if (!run.warm) return null;
  return (
    <>
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("heat-air-way")}</h3>
      <dl className="m-0 grid grid-cols-[1fr_auto] gap-x-2 [&_dd]:num [&_dd]:m-0 [&_dd]:text-right [&_dt]:border-b [&_dt]:border-slate-2 [&_dd]:border-b [&_dd]:border-slate-2">
        {warmRows(run, units).map(([what, much]) => (
          <div key={what} className="contents">
            <dt>{say(what)}</dt>
            <dd>{say(much)}</dd>
          </div>
        ))}
      </dl>
    </>
  );
}

/** Wet parts outside the body that freeze on the way, with their nights. */
export function FrostSummary({ run }: { run: TripRun }) {
  const say = useSaid();
  const { units } = usePerson();
  const parts = run.frost ?? [];
  if (parts.length === 0) return null;
  return (
    <section aria-label={says("frost-way")}>
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("frost-way")}</h3>
      <ul className="m-0 list-none p-0 text-[12px]">
        {parts.map((f) => (
          <li key={f.subject} className="border-b border-slate-2 py-1">
            <strong>{f.name}</strong>{" "}
            {f.nights.length === 0
              ? say(says("stays-over-c-simulated", { coldest_p10_c: show(f.coldest_p10_c, "°C", units, 2) }))
              : say(
                  says("under-c-nights-w", {
                    nights_count: f.nights.length,
                    day_count: run.day_count,
                    nights: f.nights.slice(0, 4).map(dayMonth).join(", "),
                    value: f.nights.length > 4 ? " …" : "",
                    hold: show(Math.round(f.hold_w), HEAT_W, units),
                  }),
                )}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What is filled up or emptied when the leg begins. */
export function Refills({ leg }: { leg: Leg }) {
  const { set } = useLegEdits();
  const { design } = useVariant();
  const now = leg.refills ?? [];
  const burns = (design.warmth?.heaters ?? []).map((h) => h.fuel);
  return (
    <fieldset className="m-0 mt-1 border-0 p-0">
      <legend className="text-[12px] text-chalk-dim">
        {says("arrival-counts-once-there", {
          has_burns_or_has_tanks_or_has_generator: Boolean(burns.length || (design.water?.tanks ?? []).length || design.power?.generator),
        })}
      </legend>
      {REFILLS.map((r) => (
        <label key={r.value} className="mr-3 inline-flex items-center gap-1">
          <input
            type="checkbox"
            checked={now.includes(r.value)}
            onChange={(e) => void set(leg, { refills: e.target.checked ? [...now, r.value] : now.filter((x) => x !== r.value) }, r.word)}
          />
          {r.word}
        </label>
      ))}
    </fieldset>
  );
}

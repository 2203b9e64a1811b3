/** What a run says of warmth: heat and fuel, electricity of heater and cooler, hours too hot or too damp; and what is filled up on a leg. */
import type { Schemas } from "../../data/client";
import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { usePerson, useSaid } from "../../shell/person";
import { type Leg, useLegEdits } from "./edit";
import { moment, type TripRun } from "./run";

type Refill = Schemas["Leg"]["refills"] extends (infer R)[] | undefined ? R : never;
const REFILLS: { value: Refill; word: string }[] = [
  { value: "diesel" as Refill, word: "diesel or petrol" },
  { value: "gas" as Refill, word: "gas bottle" },
  { value: "water" as Refill, word: "fresh water" },
  { value: "grey_dump" as Refill, word: "grey tank emptied" },
  { value: "toilet_dump" as Refill, word: "toilet emptied" },
];

/** The words of a run about warmth, a line each: what, and how much. */
export function warmRows(run: TripRun, units: "metric" | "us"): [string, string][] {
  const w = run.warm;
  const rows: [string, string][] = [];
  if (w.heat_kwh > 0.05) rows.push(["heat from the heater", `${w.heat_kwh.toFixed(0)} kWh`]);
  if (w.diesel_l > 0.05) rows.push(["its liquid fuel", show(w.diesel_l, "L", units)]);
  if (w.gas_kg > 0.01) rows.push(["its gas", show(w.gas_kg, "kg", units)]);
  if (w.fuel_first_d != null) rows.push(["fuel out, in half of them", moment(run, w.fuel_first_d)]);
  if (w.heater_wh_day > 0.5) rows.push(["heater’s electricity, a day", show(w.heater_wh_day, "Wh")]);
  if (w.cooler_wh_day > 0.5) rows.push(["cooler’s electricity, a day", show(w.cooler_wh_day, "Wh")]);
  rows.push(["coldest inside, 1 in 10", show(w.coldest_p10_c, "°C", units, 2)], ["hottest inside, 9 in 10", show(w.hottest_p90_c, "°C", units, 2)]);
  if (w.hot_h >= 1) rows.push(["over 30 °C, a day", `${(w.hot_h / run.day_count).toFixed(1)} h`]);
  if (w.damp_h >= 1) rows.push(["over 80 % humidity, a day", `${(w.damp_h / run.day_count).toFixed(1)} h`]);
  if (w.wet_h >= 1) rows.push(["water on the coldest face", `${w.condensed_kg.toFixed(1)} kg`]);
  if (w.bay_frac > 0) rows.push(["a bay under 0 °C, in", `${Math.round(100 * w.bay_frac)} % of them`]);
  return rows;
}

export function WarmSummary({ run }: { run: TripRun }) {
  const say = useSaid();
  const { units } = usePerson();
  if (!run.warm) return null;
  return (
    <>
      <h3 className="mb-1 mt-3 font-display text-[14px]">Heat and air on the way</h3>
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
    <section aria-label="Frost on the way">
      <h3 className="mb-1 mt-3 font-display text-[14px]">Frost on the way</h3>
      <ul className="m-0 list-none p-0 text-[12px]">
        {parts.map((f) => (
          <li key={f.subject} className="border-b border-slate-2 py-1">
            <strong>{f.name}</strong>{" "}
            {f.nights.length === 0
              ? say(`stays over 0 °C in 9 of 10 simulated trips; ${show(f.coldest_p10_c, "°C", units, 2)} at the coldest.`)
              : say(
                  `under 0 °C on ${f.nights.length} of ${run.day_count} nights: ${f.nights.slice(0, 4).map(dayWord).join(", ")}${f.nights.length > 4 ? " …" : ""}. ${Math.round(f.hold_w)} W would hold it.`,
                )}
          </li>
        ))}
      </ul>
    </section>
  );
}

const dayWord = (iso: string) => new Date(`${iso}T12:00:00Z`).toLocaleDateString("en-GB", { day: "numeric", month: "short", timeZone: "UTC" });

/** What is filled up or emptied when the leg begins. */
export function Refills({ leg }: { leg: Leg }) {
  const { set } = useLegEdits();
  const { design } = useVariant();
  const now = leg.refills ?? [];
  const burns = (design.warmth?.heaters ?? []).map((h) => h.fuel);
  return (
    <fieldset className="m-0 mt-1 border-0 p-0">
      <legend className="text-[12px] text-chalk-dim">
        on arrival{burns.length || (design.water?.tanks ?? []).length || design.power?.generator ? "" : "; counts once there is a heater or a tank"}
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

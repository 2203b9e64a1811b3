/** The slate of Trips: the leg in hand, or what the run says and what one more part would buy. */
import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { FindingList } from "../../parts/Findings";
import { HeadroomBar } from "../../parts/HeadroomBar";
import { JobButton } from "../../parts/JobButton";
import { FlagProperty, QuantityProperty } from "../../parts/Property";
import { useHand } from "../../shell/hand";
import { useMoney, usePerson, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { says } from "../../words/trips";
import { useLegEdits } from "./edit";
import { LegSlate } from "./LegSlate";
import { LiveProperties } from "./Live";
import { moment, type TripRun, useThorough } from "./run";
import { Schools } from "./Schools";
import { FrostSummary, WarmSummary } from "./WarmTrip";
import { percent } from "./words";

function ThoroughRun() {
  const say = useSaid();
  const { design, revision } = useVariant();
  const { state, start, cancel } = useThorough();
  const job = state?.job;
  const run = state?.run;
  const stale = state?.revision != null && state.revision !== revision;
  return (
    <section aria-label={says("thorough-run")}>
      <h3 className="mb-1 mt-3 font-display text-[14px]">{say(says("more-simulated-trips"))}</h3>
      <JobButton
        job={job}
        word={say(says("simulate-trips", { draw_count: design.trips?.draw_count ?? 50 }))}
        what={says("run")}
        start={start}
        cancel={cancel}
        slate
      />
      {run && (
        <p className={`my-1 ${stale ? "text-chalk-dim" : ""}`}>
          {stale && <strong className="text-[#f0c445]">{says("revision-before-later-changes", { revision: state.revision ?? "" })} </strong>}
          {says("days-least-charge-half", {
            draw_count: run.draw_count,
            simulated_trips_short: say(says("simulated-trips-short")),
            short_days_frac: percent(run.short_days_frac, 1),
            error_frac: (run.error_frac != null && ` ± ${percent(run.error_frac, 1)}`) || "",
            least_soc_p10: percent(run.least_soc_p10),
            least_soc_p50: percent(run.least_soc_p50),
          })}
        </p>
      )}
    </section>
  );
}

/** The trip in each year of the files, the worst first. */
function YearsSummary({ run }: { run: TripRun }) {
  const years = [...(run.years ?? [])].sort((a, b) => b.short_days - a.short_days || a.least_soc - b.least_soc);
  if (!years.length) return null;
  return (
    <section aria-label={says("year-year")}>
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("year-year-worst-first")}</h3>
      <ul className="m-0 list-none p-0 text-[12px]">
        {years.map((y) => (
          <li key={y.year} className="border-b border-slate-2 py-0.5">
            <span className="num">{y.year}</span>
            {says("short-days-nothing-short", { has_short_days: Boolean(y.short_days), short_days: y.short_days, day_count: run.day_count })}{" "}
            <span className="num">{percent(y.least_soc)}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What the generator does on the way: hours, energy, fuel, and when that runs out. */
function GeneratorSummary({ run }: { run: TripRun }) {
  const say = useSaid();
  const { units } = usePerson();
  const g = run.generator;
  if (!g) return null;
  const fuel = show(g.burnt, g.unit, units);
  return (
    <section aria-label={says("generator-way")}>
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("generator-way")}</h3>
      <p className="m-0">
        {says("runs")} <span className="num">{show(g.run_h, "h")}</span> {says("of")} <span className="num">{show(g.planned_h, "h")}</span> {says("makes")}{" "}
        <span className="num">{g.made_kwh.toFixed(1)} kWh</span> {says("about")} <span className="num">{fuel}</span>{" "}
        {says("fuel-not-limited-until", {
          fuel: g.fuel,
          half_simulated_trips:
            g.first_d != null
              ? say(says("half-simulated-trips-fuel", { run: moment(run, g.first_d) }))
              : g.short_frac > 0
                ? say(says("simulated-trips-runs-dry", { short_frac: percent(g.short_frac) }))
                : "",
          no_store_and_short_frac_is_0: g.store == null && g.short_frac === 0,
        })}
      </p>
    </section>
  );
}

export function TripSlate({ run, error }: { run: TripRun | undefined; error: string | null }) {
  const say = useSaid();
  const { money } = useMoney();
  const { units } = usePerson();
  const { design, edit } = useVariant();
  const { legs } = useLegEdits();
  const hand = useHand();
  const leg = hand.kind === "leg" ? legs.find((l) => l.id === hand.id) : undefined;
  if (leg) return <LegSlate leg={leg} run={run} />;
  const target = design.trips?.short_days_frac ?? 0.02;
  return (
    <Slate title={says("trip-3")} sub={run ? say(says("days-simulated-trips", { day_count: run.day_count, draw_count: run.draw_count })) : says("not-run-yet")}>
      <p className="my-1 border-l-2 border-[#f08a70] pl-2 text-[12px]">{says("forecast-approximate-climate-assumed")}</p>
      {error && <p role="alert">{error}</p>}
      {run && (
        <>
          <FindingList findings={run.findings} own={run.figures} empty={says("nothing-runs-short")} />
          <HeadroomBar label={says("days-without-what-needed")} need={run.short_days_frac} have={target} unit="%" margin={0.2} />
          <dl className="m-0 grid grid-cols-[1fr_auto] gap-x-2 [&_dd]:num [&_dd]:m-0 [&_dd]:text-right [&_dt]:border-b [&_dt]:border-slate-2 [&_dd]:border-b [&_dd]:border-slate-2">
            <dt>{says("sun-day")}</dt>
            <dd>{show(run.sun_wh_day, "Wh")}</dd>
            <dt>{says("driving-day")}</dt>
            <dd>{show(run.driving_wh_day, "Wh")}</dd>
            <dt>{say(says("hook-up-day"))}</dt>
            <dd>{show(run.shore_wh_day, "Wh")}</dd>
            {(run.bank_heater_wh_day ?? 0) > 0.5 && (
              <>
                <dt>{says("banks-own-heater-day")}</dt>
                <dd>{show(run.bank_heater_wh_day, "Wh")}</dd>
              </>
            )}
            {(run.snow_days ?? 0) > 0 && (
              <>
                <dt>{says("days-snow-panels")}</dt>
                <dd>{run.snow_days.toFixed(1)}</dd>
                <dt>{says("sun-lost-day")}</dt>
                <dd>{show(run.snow_wh_day, "Wh")}</dd>
              </>
            )}
            <dt>{says("used-day")}</dt>
            <dd>{show(run.load_wh_day, "Wh")}</dd>
            <dt>{says("missing-day")}</dt>
            <dd>{show(run.missing_wh_day, "Wh")}</dd>
            <dt>{says("sun-left-unused-day")}</dt>
            <dd>{show(run.curtailed_wh_day, "Wh")}</dd>
            {run.autonomy_d != null && (
              <>
                <dt>{says("full-bank-no-source")}</dt>
                <dd>{show(run.autonomy_d, "days", "metric", 2)}</dd>
              </>
            )}
            <dt>{says("least-charge-half")}</dt>
            <dd>
              {percent(run.least_soc_p10)}, {percent(run.least_soc_p50)}, {percent(run.least_soc_p90)}
            </dd>
          </dl>
          <YearsSummary run={run} />
          <GeneratorSummary run={run} />
          <WarmSummary run={run} />
          <FrostSummary run={run} />
          {run.buys.length > 0 && (
            <>
              <h3 className="mb-1 mt-3 font-display text-[14px]">{says("what-one-more-part")}</h3>
              <p className="m-0 text-[12px] text-chalk-dim">{say(says("same-weather-luck-cancels"))}</p>
              {run.buys.map((b) => {
                const known = b.change_frac !== 0 && Math.abs(b.change_frac) >= 2 * b.error_frac;
                return (
                  <p key={b.what} className="my-1 border-b border-slate-2 pb-1">
                    {says("short-2", {
                      what: b.what,
                      has_price: b.price != null,
                      price: b.price != null ? money(b.price) : "",
                      has_mass_kg: b.mass_kg != null,
                      mass_kg: b.mass_kg != null ? show(b.mass_kg, "kg", units) : "",
                    })}{" "}
                    <span className="num">{percent(b.short_days_frac, 1)}</span> {says("days-4")}
                    <span className="num">{known ? says("points-2", { change_frac: 100 * b.change_frac }) : says("no-measurable-difference")}</span>
                    ), <span className="num">{show(b.missing_wh_day, "Wh")}</span> {says("day-missing")}
                  </p>
                );
              })}
            </>
          )}
          <ThoroughRun />
          <LiveProperties />
          <h3 className="mb-1 mt-3 font-display text-[14px]">{says("how-run")}</h3>
          <QuantityProperty
            label={says("simulated-trips-2")}
            note={says("quick-run-takes-fewer")}
            value={design.trips?.draw_count}
            dimension="count"
            unit=""
            onSet={(v) => void edit([{ op: "replace", path: "/trips/draw_count", value: Math.round(v ?? 50) }], says("simulated-trips-2"))}
          />
          <QuantityProperty
            label={says("days-without-enough-power")}
            value={target}
            dimension="fraction"
            unit=""
            onSet={(v) => void edit([{ op: "replace", path: "/trips/short_days_frac", value: v ?? 0.02 }], says("days-short-most"))}
          />
          <QuantityProperty
            label={says("charge-start")}
            value={design.trips?.soc_start_frac}
            dimension="fraction"
            unit=""
            onSet={(v) => void edit([{ op: "replace", path: "/trips/soc_start_frac", value: v ?? 1 }], says("charge-start"))}
          />
          <FlagProperty
            label={says("snow-lies-panels")}
            note={design.trips?.snow ? says("after-dull-frosty-days") : says("leave-off-where-nobody")}
            value={design.trips?.snow ?? false}
            onSet={(v) => void edit([{ op: "replace", path: "/trips/snow", value: v }], v ? says("snow-panels") : says("without-snow"))}
          />
          {design.trips?.snow && (
            <QuantityProperty
              label={says("swept-off")}
              note={says("hour-day-soft-broom")}
              value={design.trips.snow_cleared_h}
              dimension="time"
              unit="h"
              clearable
              placeholder={says("nobody-sweeps")}
              onSet={(v) =>
                void edit([{ op: "replace", path: "/trips/snow_cleared_h", value: v == null ? null : Math.min(23.75, v) }], says("when-snow-swept-off"))
              }
            />
          )}
          <FlagProperty
            label={says("forecast-coming-days")}
            note={
              design.trips?.forecast
                ? run.forecast_days
                  ? says("taken-days", { forecast_days: run.forecast_days })
                  : says("no-day-trip-near")
                : says("service-machine-when-one")
            }
            value={design.trips?.forecast ?? false}
            onSet={(v) => void edit([{ op: "replace", path: "/trips/forecast", value: v }], v ? says("forecast") : says("without-forecast"))}
          />
          <Schools />
          <ul className="mt-1 pl-4 text-[12px] text-chalk-dim">
            {run.assumed.map((a) => (
              <li key={a}>{say(a)}</li>
            ))}
          </ul>
          {run.events.length > 0 && (
            <details>
              <summary className="cursor-pointer">{say(says("what-happens-three-simulated"))}</summary>
              <ul className="m-0 list-none p-0 text-[12px]">
                {run.events.slice(0, 60).map((e) => (
                  <li key={`${e.draw} ${e.time_d} ${e.what}`}>
                    <span className="num">{say(moment(run, e.time_d))}</span> {e.what}{" "}
                    <span className="text-chalk-dim">{says("weather-2", { draw: e.draw + 1 })}</span>
                  </li>
                ))}
              </ul>
            </details>
          )}
        </>
      )}
    </Slate>
  );
}

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
    <section aria-label="Thorough run">
      <h3 className="mb-1 mt-3 font-display text-[14px]">{say("More simulated trips")}</h3>
      <JobButton job={job} word={say(`Simulate ${design.trips?.draw_count ?? 50} trips`)} what="run" start={start} cancel={cancel} slate />
      {run && (
        <p className={`my-1 ${stale ? "text-chalk-dim" : ""}`}>
          {stale && <strong className="text-[#f0c445]">Of revision {state.revision}, before later changes. </strong>}
          {run.draw_count}
          {say(" simulated trips: short on ")}
          {percent(run.short_days_frac, 1)}
          {run.error_frac != null && ` ± ${percent(run.error_frac, 1)}`} of the days; least charge {percent(run.least_soc_p10)} in 1 of 10,{" "}
          {percent(run.least_soc_p50)} in half.
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
    <section aria-label="Year by year">
      <h3 className="mb-1 mt-3 font-display text-[14px]">Year by year, the worst first</h3>
      <ul className="m-0 list-none p-0 text-[12px]">
        {years.map((y) => (
          <li key={y.year} className="border-b border-slate-2 py-0.5">
            <span className="num">{y.year}</span>: {y.short_days ? `short on ${y.short_days} of ${run.day_count} days` : "nothing short"}, least charge{" "}
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
    <section aria-label="Generator on the way">
      <h3 className="mb-1 mt-3 font-display text-[14px]">Generator on the way</h3>
      <p className="m-0">
        It runs <span className="num">{show(g.run_h, "h")}</span> of <span className="num">{show(g.planned_h, "h")}</span> and makes{" "}
        <span className="num">{g.made_kwh.toFixed(1)} kWh</span> from about <span className="num">{fuel}</span> of {g.fuel}
        {g.first_d != null
          ? say(`; in half of the simulated trips the fuel is out on ${moment(run, g.first_d)}`)
          : g.short_frac > 0
            ? say(`; in ${percent(g.short_frac)} of the simulated trips it runs dry`)
            : ""}
        .{g.store == null && g.short_frac === 0 && " Its fuel is not limited until you enter its fuel can in Power."}
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
    <Slate title="Trip" sub={run ? say(`${run.day_count} days, ${run.draw_count} simulated trips`) : "not run yet"}>
      <p className="my-1 border-l-2 border-[#f08a70] pl-2 text-[12px]">
        A forecast from approximate climate and assumed habits. Carry a plan B for heat, water and medical devices; do not stake health on it.
      </p>
      {error && <p role="alert">{error}</p>}
      {run && (
        <>
          <FindingList findings={run.findings} own={run.figures} empty="Nothing runs short." />
          <HeadroomBar label="days without what is needed" need={run.short_days_frac} have={target} unit="%" margin={0.2} />
          <dl className="m-0 grid grid-cols-[1fr_auto] gap-x-2 [&_dd]:num [&_dd]:m-0 [&_dd]:text-right [&_dt]:border-b [&_dt]:border-slate-2 [&_dd]:border-b [&_dd]:border-slate-2">
            <dt>sun, a day</dt>
            <dd>{show(run.sun_wh_day, "Wh")}</dd>
            <dt>driving, a day</dt>
            <dd>{show(run.driving_wh_day, "Wh")}</dd>
            <dt>{say("hook-up, a day")}</dt>
            <dd>{show(run.shore_wh_day, "Wh")}</dd>
            {(run.bank_heater_wh_day ?? 0) > 0.5 && (
              <>
                <dt>the bank’s own heater, a day</dt>
                <dd>{show(run.bank_heater_wh_day, "Wh")}</dd>
              </>
            )}
            {(run.snow_days ?? 0) > 0 && (
              <>
                <dt>days with snow on the panels</dt>
                <dd>{run.snow_days.toFixed(1)}</dd>
                <dt>sun lost to it, a day</dt>
                <dd>{show(run.snow_wh_day, "Wh")}</dd>
              </>
            )}
            <dt>used, a day</dt>
            <dd>{show(run.load_wh_day, "Wh")}</dd>
            <dt>missing, a day</dt>
            <dd>{show(run.missing_wh_day, "Wh")}</dd>
            <dt>sun left unused, a day</dt>
            <dd>{show(run.curtailed_wh_day, "Wh")}</dd>
            {run.autonomy_d != null && (
              <>
                <dt>a full bank with no source at all</dt>
                <dd>{show(run.autonomy_d, "days", "metric", 2)}</dd>
              </>
            )}
            <dt>least charge: 1 in 10, half, 9 in 10</dt>
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
              <h3 className="mb-1 mt-3 font-display text-[14px]">What one more part would gain</h3>
              <p className="m-0 text-[12px] text-chalk-dim">{say("In the same weather, so that luck cancels out.")}</p>
              {run.buys.map((b) => {
                const known = b.change_frac !== 0 && Math.abs(b.change_frac) >= 2 * b.error_frac;
                return (
                  <p key={b.what} className="my-1 border-b border-slate-2 pb-1">
                    With {b.what}
                    {b.price != null && ` (${money(b.price)}${b.mass_kg != null ? `, ${show(b.mass_kg, "kg", units)}` : ""})`}: short on{" "}
                    <span className="num">{percent(b.short_days_frac, 1)}</span> of the days (
                    <span className="num">{known ? `${(100 * b.change_frac).toFixed(1)} points` : "no measurable difference"}</span>
                    ), <span className="num">{show(b.missing_wh_day, "Wh")}</span> a day missing.
                  </p>
                );
              })}
            </>
          )}
          <ThoroughRun />
          <LiveProperties />
          <h3 className="mb-1 mt-3 font-display text-[14px]">How it is run</h3>
          <QuantityProperty
            label="simulated trips"
            note="the quick run takes fewer on long trips"
            value={design.trips?.draw_count}
            dimension="count"
            unit=""
            onSet={(v) => void edit([{ op: "replace", path: "/trips/draw_count", value: Math.round(v ?? 50) }], "simulated trips")}
          />
          <QuantityProperty
            label="days without enough power: limit"
            value={target}
            dimension="fraction"
            unit=""
            onSet={(v) => void edit([{ op: "replace", path: "/trips/short_days_frac", value: v ?? 0.02 }], "days short at most")}
          />
          <QuantityProperty
            label="charge at the start"
            value={design.trips?.soc_start_frac}
            dimension="fraction"
            unit=""
            onSet={(v) => void edit([{ op: "replace", path: "/trips/soc_start_frac", value: v ?? 1 }], "charge at the start")}
          />
          <FlagProperty
            label="snow lies on the panels"
            note={design.trips?.snow ? "after dull frosty days, until it thaws, slides off steep ones or is swept" : "leave it off where nobody expects snow"}
            value={design.trips?.snow ?? false}
            onSet={(v) => void edit([{ op: "replace", path: "/trips/snow", value: v }], v ? "with snow on the panels" : "without snow")}
          />
          {design.trips?.snow && (
            <QuantityProperty
              label="swept off at"
              note="hour of the day; with a soft broom, from the ground"
              value={design.trips.snow_cleared_h}
              dimension="time"
              unit="h"
              clearable
              placeholder="nobody sweeps"
              onSet={(v) =>
                void edit([{ op: "replace", path: "/trips/snow_cleared_h", value: v == null ? null : Math.min(23.75, v) }], "when the snow is swept off")
              }
            />
          )}
          <FlagProperty
            label="forecast for the coming days"
            note={
              design.trips?.forecast
                ? run.forecast_days
                  ? `taken for ${run.forecast_days} days`
                  : "no day of the trip is near, or no forecast service answers"
                : "from a service on this machine, when one is there"
            }
            value={design.trips?.forecast ?? false}
            onSet={(v) => void edit([{ op: "replace", path: "/trips/forecast", value: v }], v ? "with the forecast" : "without the forecast")}
          />
          <Schools />
          <ul className="mt-1 pl-4 text-[12px] text-chalk-dim">
            {run.assumed.map((a) => (
              <li key={a}>{say(a)}</li>
            ))}
          </ul>
          {run.events.length > 0 && (
            <details>
              <summary className="cursor-pointer">{say("What happens in three of the simulated trips")}</summary>
              <ul className="m-0 list-none p-0 text-[12px]">
                {run.events.slice(0, 60).map((e) => (
                  <li key={`${e.draw} ${e.time_d} ${e.what}`}>
                    <span className="num">{moment(run, e.time_d)}</span> {e.what} <span className="text-chalk-dim">(weather {e.draw + 1})</span>
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

/** The run of the trip: the quick one of each revision, and the thorough one as a job. */
import { api, type Schemas, take } from "../../data/client";
import { useJob } from "../../data/jobs";
import { useVariant } from "../../data/variant";
import { says } from "../../words/trips";

export type TripRun = Schemas["TripRun"];
export type Lane = Schemas["Lane"];

/** The thorough run: its job, asked after while it runs, and what came of the newest that is done. */
export function useThorough() {
  const { id } = useVariant();
  const path = { variant_id: id };
  return useJob(
    ["thorough", id],
    () => take(api.GET("/api/variants/{variant_id}/trip/thorough", { params: { path } })),
    () => take(api.POST("/api/variants/{variant_id}/trip/jobs", { params: { path } })),
  );
}

/** The search for the parts: its job, and what the newest that is done found. */
export function useSearch() {
  const { id } = useVariant();
  const path = { variant_id: id };
  return useJob(
    ["sizing", id],
    () => take(api.GET("/api/variants/{variant_id}/sizing", { params: { path } })),
    () => take(api.POST("/api/variants/{variant_id}/sizing/jobs", { params: { path } })),
  );
}

/** A moment of the trip as date and time. */
export function moment(run: TripRun, day: number): string {
  const first = run.days[0]?.date ?? "2000-01-01";
  const t = new Date(`${first}T00:00:00Z`);
  t.setUTCMinutes(Math.round(day * 1440));
  return t.toLocaleString("en-GB", { weekday: "short", day: "numeric", month: "short", hour: "2-digit", minute: "2-digit", timeZone: "UTC" });
}

/** What a run says of the bank in one sentence. */
export function sentenceOf(run: TripRun): string {
  const percent = (v: number) => `${Math.round(100 * v)} %`;
  const least = says("trips-like-bank-never", { least_soc_p10: percent(run.least_soc_p10) });
  if (run.short_days_frac <= 0) {
    if (run.missing_wh_day < 1) return says("everything-runs-all-simulated", { least, draw_count: run.draw_count });
    const names = run.shed?.slice(0, 3).join(", ") ?? "";
    const more = (run.shed?.length ?? 0) > 3 ? says("more") : "";
    const from = run.shed_first_d != null ? says("first", { run: moment(run, run.shed_first_d) }) : "";
    return says("what-must-run-always", { least, names: names || says("least-needed-loads"), more, from, missing_wh_day: Math.round(run.missing_wh_day) });
  }
  const first = run.first_short_p50_d ?? run.first_short_d;
  const often = run.first_short_p50_d != null ? says("half-them") : says("worst-them");
  return says("power-runs-short-days", {
    least,
    short_days_frac: percent(run.short_days_frac),
    has_first: first != null,
    often,
    run: first != null ? moment(run, first) : "",
  });
}

/** Living at one place instead of a plan: its properties in the slate's place of the legs, and the run month by month. */

import { useCallback } from "react";
import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { type Column, Ledger } from "../../parts/Ledger";
import { ChoiceProperty, QuantityProperty } from "../../parts/Property";
import { useSaid } from "../../shell/person";
import { says } from "../../words/trips";
import { usePlaceOptions } from "./places";
import type { TripRun } from "./run";

type Month = TripRun["months"][number];

/** 2027-01 as people say it. */
export function monthWords(month: string): string {
  return new Date(`${month}-15T00:00:00Z`).toLocaleString("en-GB", { month: "long", year: "numeric", timeZone: "UTC" });
}

export function MonthLedger({ run }: { run: TripRun | undefined }) {
  const columns: Column<Month>[] = [
    { key: "month", label: says("month"), width: "17%", kind: "computed", show: (m) => monthWords(m.month) },
    { key: "days", label: says("days"), width: "6%", align: "right", kind: "computed", show: (m) => m.days },
    { key: "sun", label: says("sun-day"), width: "13%", align: "right", kind: "computed", show: (m) => show(m.sun_wh_day, "Wh") },
    { key: "load", label: says("used-day"), width: "13%", align: "right", kind: "computed", show: (m) => show(m.load_wh_day, "Wh") },
    {
      key: "missing",
      label: says("missing-day"),
      width: "13%",
      align: "right",
      kind: "computed",
      show: (m) => (m.missing_wh_day > 0.5 ? show(m.missing_wh_day, "Wh") : "–"),
    },
    {
      key: "week",
      label: says("worst-week"),
      width: "13%",
      align: "right",
      kind: "computed",
      show: (m) => (m.worst_week_wh > 0.5 ? show(m.worst_week_wh, "Wh") : "–"),
    },
    { key: "least", label: says("least-charge"), width: "13%", align: "right", kind: "computed", show: (m) => show(m.least_soc_p10, "%", "metric", 2) },
    {
      key: "short",
      label: says("days-short"),
      width: "13%",
      align: "right",
      kind: "computed",
      show: (m) => <span className={m.short_frac > 0 ? "font-semibold text-rust" : ""}>{m.short_frac > 0 ? show(m.short_frac, "%", "metric", 2) : "–"}</span>,
    },
  ];
  return (
    <Ledger
      label={says("month-month")}
      rows={run?.months ?? []}
      columns={columns}
      id={useCallback((m: Month) => m.month, [])}
      empty={<p className="m-0 max-w-xl text-[15px]">{says("running-months")}</p>}
    />
  );
}

/** What living there is like, in the slate. */
export function LiveProperties() {
  const say = useSaid();
  const { design, edit } = useVariant();
  const { options } = usePlaceOptions();
  const live = design.trips?.live;
  if (!live) return null;
  const set = (key: string, value: unknown, what: string) => void edit([{ op: "replace", path: `/trips/live/${key}`, value }], says("living-there", { what }));
  const every = (key: "hookup_every_d" | "drive_every_d", label: string) => (
    <QuantityProperty
      label={label}
      value={live[key]}
      dimension="count"
      unit=""
      clearable
      placeholder={says("never")}
      onSet={(v) => set(key, v == null ? null : Math.max(1, Math.round(v)), label)}
    />
  );
  return (
    <>
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("living-there-2")}</h3>
      <ChoiceProperty label={says("place")} value={live.place} options={options} onSet={(v) => set("place", v, says("place"))} />
      <QuantityProperty
        label={says("days")}
        value={live.days_count}
        dimension="count"
        unit=""
        onSet={(v) => set("days_count", Math.max(1, Math.round(v ?? 365)), says("days"))}
      />
      <QuantityProperty
        label={says("working-days-week")}
        value={live.working_days_count}
        dimension="count"
        unit=""
        onSet={(v) => set("working_days_count", Math.round(v ?? 5), says("working-days"))}
      />
      {every("hookup_every_d", say(says("hook-up-every-days")))}
      {every("drive_every_d", says("drive-every-days"))}
      {live.drive_every_d != null && (
        <QuantityProperty label={says("for")} value={live.drive_h} dimension="time" unit="h" onSet={(v) => set("drive_h", v ?? 1, says("hours-driving"))} />
      )}
      <button
        type="button"
        className="btn btn-slate mt-2"
        onClick={() => void edit([{ op: "replace", path: "/trips/live", value: null }], says("back-planned-trip"))}
      >
        {says("back-planned-trip-2")}
      </button>
    </>
  );
}

/** Measured: a log of the real thing over the run, how far off the run was, and the fit that can be taken over. */

import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useState } from "react";
import { api, type PatchOp, type Schemas, take } from "../../data/client";
import { show } from "../../data/show";
import { useTrip } from "../../data/trip";
import { useVariant } from "../../data/variant";
import { FileHead } from "../../parts/FileHead";
import { FindingList } from "../../parts/Findings";
import { type Column, Ledger } from "../../parts/Ledger";
import { Bench } from "../../shell/Bench";
import { useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { says } from "../../words/trips";
import { Lanes } from "./Lanes";

import { ViewSwitch } from "./ViewSwitch";

type Text = Schemas["NamedLog"];
const MOST_BYTES = 30_000_000;
const COLUMNS: [string, string][] = [
  ["time", says("time")],
  ["volts", says("bank-voltage-v")],
  ["amps", says("bank-current")],
  ["soc", says("state-charge")],
  ["solar", says("solar-power-w")],
  ["other", says("other-charging-w")],
  ["load", says("load-power-w")],
  ["cabin", says("cabin-c")],
];

function useMeasured() {
  const { id, revision } = useVariant();
  return useQuery({
    queryKey: ["measured", id, revision],
    queryFn: () => take(api.GET("/api/variants/{variant_id}/measured", { params: { path: { variant_id: id }, query: { revision } } })),
    placeholderData: keepPreviousData,
  });
}

function BringInLog({ onClose }: { onClose: () => void }) {
  const { id } = useVariant();
  const client = useQueryClient();
  const [given, setGiven] = useState<Text | null>(null);
  const read = useMutation({ mutationFn: (body: Text) => take(api.POST("/api/log/read", { body })) });
  const keep = useMutation({
    mutationFn: (body: Text) => take(api.PUT("/api/variants/{variant_id}/measured", { params: { path: { variant_id: id } }, body })),
    onSuccess: async () => {
      await client.invalidateQueries({ queryKey: ["measured", id] });
      onClose();
    },
  });
  const found = read.data;
  const send = (next: Text) => {
    setGiven(next);
    read.mutate(next);
  };
  return (
    <FileHead
      title={says("import-log")}
      kinds={says("csv-file")}
      accept=".csv,.txt,.tsv,text/*"
      label={says("log-file")}
      item={says("log")}
      mostBytes={MOST_BYTES}
      hint={says("times-standard-time-place")}
      onText={(text, name) => send({ text, name: name.slice(0, 120) || says("log-2"), columns: {} })}
      onClose={onClose}
      busy={read.isPending}
      problem={read.error?.message ?? keep.error?.message}
      take={{
        word: found && !found.asks.length ? says("import-lines", { lines: found.lines }) : says("import"),
        ready: found != null && found.asks.length === 0 && !keep.isPending,
        run: () => given && keep.mutate(given),
      }}
    >
      {found && given && (
        <>
          {found.asks.length > 0 && <p role="status">{says("still-told", { asks: found.asks.join("; ") })}</p>}
          <div className="my-2 flex flex-wrap items-center gap-3">
            {COLUMNS.map(([key, word]) => (
              <label key={key} className="flex items-center gap-1">
                {word}
                <select
                  className="field"
                  value={given.columns?.[key] ?? found.columns[key] ?? ""}
                  onChange={(e) => send({ ...given, columns: { ...found.columns, ...given.columns, [key]: e.target.value } })}
                >
                  <option value="">–</option>
                  {found.headings.map((h) => (
                    <option key={h}>{h}</option>
                  ))}
                </select>
              </label>
            ))}
            <label className="flex items-center gap-1">
              {says("positive-current")}
              <select
                className="field"
                value={given.positive ?? ""}
                onChange={(e) => send({ ...given, positive: (e.target.value || null) as Text["positive"] })}
              >
                <option value="">–</option>
                <option value="charges">{says("charges-bank")}</option>
                <option value="discharges">{says("discharges-bank")}</option>
              </select>
            </label>
          </div>
          {found.first && <p className="my-1">{says("from-to", { first: found.first.replace("T", " "), last: found.last?.replace("T", " ") ?? "" })}</p>}
          <ul className="m-0 pl-4">
            {found.notes.map((n) => (
              <li key={n}>{n}</li>
            ))}
          </ul>
        </>
      )}
    </FileHead>
  );
}

type Row = { key: string; what: string; measured: string; run: string };

export function Measured() {
  const say = useSaid();
  const { id, edit } = useVariant();
  const client = useQueryClient();
  const trip = useTrip();
  const found = useMeasured();
  const [bringing, setBringing] = useState(false);
  const rowId = useCallback((r: Row) => r.key, []);
  const drop = useMutation({
    mutationFn: () => take(api.DELETE("/api/variants/{variant_id}/measured", { params: { path: { variant_id: id } } })),
    onSuccess: () => client.invalidateQueries({ queryKey: ["measured", id] }),
  });
  const devices = useMutation({
    mutationFn: () => take(api.PUT("/api/variants/{variant_id}/measured/devices", { params: { path: { variant_id: id } } })),
    onSuccess: () => client.invalidateQueries({ queryKey: ["measured", id] }),
  });
  const b = found.data?.beside;
  const fit = b?.fit;
  const off = fit?.simulated_bias_frac;
  const rows: Row[] = fit
    ? [
        {
          key: "mean",
          what: says("load-average-over-hours"),
          measured: show(fit.mean_measured_w, "W"),
          run:
            fit.simulated_bias_w == null
              ? "–"
              : `${fit.simulated_bias_w >= 0 ? "+" : "−"}${show(Math.abs(fit.simulated_bias_w), "W")} (${off == null ? "–" : `${(100 * off).toFixed(0)} %`})`,
        },
        { key: "base", what: says("base-what-runs-whatever"), measured: show(fit.base_w, "W"), run: "" },
        {
          key: "fridge",
          what: say(says("fridge-c-cabin")),
          measured: show(fit.fridge_mean_w, "W"),
          run: fit.duty_frac == null ? "" : fit.duty_frac > 1 ? says("more-than-can-draw") : says("time-2", { duty_frac: 100 * fit.duty_frac }),
        },
        { key: "rmse", what: says("spread-round-fit-run"), measured: show(fit.rmse_w, "W"), run: show(fit.simulated_rmse_w, "W") },
        {
          key: "sun",
          what: says("sun-measured-over-simulated"),
          measured: b?.solar_ratio == null ? says("no-such-day") : show(b.solar_ratio, "%", "metric", 2),
          run: "",
        },
      ]
    : [];
  const columns: Column<Row>[] = [
    { key: "what", label: says("what"), width: "56%", kind: "computed", show: (r) => <span className="font-sans text-peat">{r.what}</span> },
    { key: "measured", label: says("log-fit"), width: "20%", align: "right", kind: "computed", show: (r) => r.measured },
    { key: "run", label: says("run-off"), width: "24%", align: "right", kind: "computed", show: (r) => r.run },
  ];
  const name = found.data?.name;
  return (
    <Bench
      title={says("trips")}
      sentence={
        !name
          ? says("after-moving-bring-log")
          : !b
            ? says("kept-cant-laid-over", { name, has_problem: Boolean(found.data?.problem), problem: found.data?.problem ? found.data.problem : "" })
            : b.overlap_h === 0
              ? says("runs-no-hour-lies", { name, first: b.first.slice(0, 10), last: b.last.slice(0, 10) })
              : off == null
                ? says("hours-lie-trip", { name, overlap_h: b.overlap_h })
                : says("over-hours-run-uses", { name, overlap_h: b.overlap_h, off: Math.abs(100 * off), off_more: off >= 0 })
      }
      picture={b && trip.data ? <Lanes run={trip.data} dim={trip.isPlaceholderData} measured={b} /> : undefined}
      tools={
        <>
          <ViewSwitch />
          <button type="button" className="btn btn-main" onClick={() => setBringing(true)}>
            {says("import-log")}
          </button>
          <button type="button" className="btn" disabled={devices.isPending} onClick={() => devices.mutate()} title={says("what-devices-test-live")}>
            {says("devices")}
          </button>
          {devices.error && (
            <span role="alert" className="text-rust">
              {devices.error.message}
            </span>
          )}
          {name && (
            <button type="button" className="btn" disabled={drop.isPending} onClick={() => drop.mutate()}>
              {says("forget-log")}
            </button>
          )}
        </>
      }
      ledger={
        bringing ? (
          <BringInLog onClose={() => setBringing(false)} />
        ) : (
          <Ledger
            label={says("measured-against-run")}
            rows={rows}
            columns={columns}
            id={rowId}
            empty={<p className="m-0 max-w-xl text-[15px]">{b?.no_fit ? says("no-fit", { no_fit: b.no_fit }) : says("csv-volts-amps-loads")}</p>}
          />
        )
      }
      slate={
        <Slate title={says("measured")} sub={name ?? says("no-log-yet")}>
          {b?.simulated && (
            <p role="note" className="my-1 border-l-2 border-gorse pl-2">
              {says("simulated-stand-ins-said")}
            </p>
          )}
          {b && <FindingList findings={b.findings} empty="" />}
          {b && b.takes_over.length > 0 && (
            <>
              <h3 className="mb-1 mt-2 font-display text-[14px]">{says("what-fit-would-change")}</h3>
              <ul className="m-0 pl-4">
                {b.takes_over.map((t) => (
                  <li key={t}>{t}</li>
                ))}
              </ul>
              {b.patch.length > 0 && (
                <button
                  type="button"
                  className="btn btn-main my-2"
                  onClick={() => void edit(b.patch as PatchOp[], says("took-fit-over", { name: name ?? "" }))}
                >
                  {says("use-fitted-values")}
                </button>
              )}
            </>
          )}
          <p className="my-1 text-[12px] text-chalk-dim">{says("load-power-solar-other")}</p>
        </Slate>
      }
    />
  );
}

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
import { Lanes } from "./Lanes";

import { ViewSwitch } from "./ViewSwitch";

type Text = Schemas["NamedLog"];
const MOST_BYTES = 30_000_000;
const COLUMNS: [string, string][] = [
  ["time", "time"],
  ["volts", "bank voltage, V"],
  ["amps", "bank current, A"],
  ["soc", "state of charge"],
  ["solar", "solar power, W"],
  ["other", "other charging, W"],
  ["load", "load power, W"],
  ["cabin", "cabin, °C"],
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
      title="Import a log"
      kinds="a CSV file"
      accept=".csv,.txt,.tsv,text/*"
      label="Log file"
      item="a log"
      mostBytes={MOST_BYTES}
      hint="Times in standard time of the place; a line each minute or hour."
      onText={(text, name) => send({ text, name: name.slice(0, 120) || "log", columns: {} })}
      onClose={onClose}
      busy={read.isPending}
      problem={read.error?.message ?? keep.error?.message}
      take={{
        word: found && !found.asks.length ? `Import ${found.lines.toLocaleString("en-GB")} lines` : "Import",
        ready: found != null && found.asks.length === 0 && !keep.isPending,
        run: () => given && keep.mutate(given),
      }}
    >
      {found && given && (
        <>
          {found.asks.length > 0 && <p role="status">Still to be told: {found.asks.join("; ")}.</p>}
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
              a positive current
              <select
                className="field"
                value={given.positive ?? ""}
                onChange={(e) => send({ ...given, positive: (e.target.value || null) as Text["positive"] })}
              >
                <option value="">–</option>
                <option value="charges">charges the bank</option>
                <option value="discharges">discharges the bank</option>
              </select>
            </label>
          </div>
          {found.first && (
            <p className="my-1">
              From {found.first.replace("T", " ")} to {found.last?.replace("T", " ")}.
            </p>
          )}
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
          what: "load, on average over the hours that both know",
          measured: show(fit.mean_measured_w, "W"),
          run:
            fit.simulated_bias_w == null
              ? "–"
              : `${fit.simulated_bias_w >= 0 ? "+" : "−"}${show(Math.abs(fit.simulated_bias_w), "W")} (${off == null ? "–" : `${(100 * off).toFixed(0)} %`})`,
        },
        { key: "base", what: "base: what runs whatever the temperature", measured: show(fit.base_w, "W"), run: "" },
        {
          key: "fridge",
          what: say("fridge, at 25 °C in the cabin"),
          measured: show(fit.fridge_mean_w, "W"),
          run:
            fit.duty_frac == null
              ? ""
              : fit.duty_frac > 1
                ? "more than it can draw: something else runs with the warmth"
                : `${(100 * fit.duty_frac).toFixed(0)} % of the time`,
        },
        { key: "rmse", what: "spread round the fit, and of the run round the log", measured: show(fit.rmse_w, "W"), run: show(fit.simulated_rmse_w, "W") },
        {
          key: "sun",
          what: "sun, measured over simulated, on days that never filled the bank",
          measured: b?.solar_ratio == null ? "no such day" : show(b.solar_ratio, "%", "metric", 2),
          run: "",
        },
      ]
    : [];
  const columns: Column<Row>[] = [
    { key: "what", label: "what", width: "56%", kind: "computed", show: (r) => <span className="font-sans text-peat">{r.what}</span> },
    { key: "measured", label: "log and fit", width: "20%", align: "right", kind: "computed", show: (r) => r.measured },
    { key: "run", label: "the run is off", width: "24%", align: "right", kind: "computed", show: (r) => r.run },
  ];
  const name = found.data?.name;
  return (
    <Bench
      title="Trips"
      sentence={
        !name
          ? "After moving in: bring in the log of the battery monitor, and see how far the run is from the real thing."
          : !b
            ? `${name} is kept. ${found.data?.problem ? `It can’t be laid over a run: ${found.data.problem}.` : ""}`
            : b.overlap_h === 0
              ? `${name} runs from ${b.first.slice(0, 10)} to ${b.last.slice(0, 10)}; no hour of it lies in the trip. Set the trip’s first day to the log’s.`
              : off == null
                ? `${name}: ${b.overlap_h} hours lie in the trip.`
                : `${name}: over ${b.overlap_h} hours the run uses ${Math.abs(100 * off).toFixed(0)} % ${off >= 0 ? "more" : "less"} than was measured.`
      }
      picture={b && trip.data ? <Lanes run={trip.data} dim={trip.isPlaceholderData} measured={b} /> : undefined}
      tools={
        <>
          <ViewSwitch />
          <button type="button" className="btn btn-main" onClick={() => setBringing(true)}>
            Import a log
          </button>
          <button
            type="button"
            className="btn"
            disabled={devices.isPending}
            onClick={() => devices.mutate()}
            title="What the devices of Test, Live, said and what was kept of it"
          >
            From the devices
          </button>
          {devices.error && (
            <span role="alert" className="text-rust">
              {devices.error.message}
            </span>
          )}
          {name && (
            <button type="button" className="btn" disabled={drop.isPending} onClick={() => drop.mutate()}>
              Forget this log
            </button>
          )}
        </>
      }
      ledger={
        bringing ? (
          <BringInLog onClose={() => setBringing(false)} />
        ) : (
          <Ledger
            label="Measured against the run"
            rows={rows}
            columns={columns}
            id={rowId}
            empty={
              <p className="m-0 max-w-xl text-[15px]">
                {b?.no_fit ? `No fit: ${b.no_fit}.` : "A CSV of volts and amps, or of the load’s watts, with times. A week says enough; columns are asked for."}
              </p>
            }
          />
        )
      }
      slate={
        <Slate title="Measured" sub={name ?? "no log yet"}>
          {b?.simulated && (
            <p role="note" className="my-1 border-l-2 border-gorse pl-2">
              Simulated: stand-ins said it. It is shown, and nothing of it is taken over.
            </p>
          )}
          {b && <FindingList findings={b.findings} empty="" />}
          {b && b.takes_over.length > 0 && (
            <>
              <h3 className="mb-1 mt-2 font-display text-[14px]">What the fit would change in Daily use</h3>
              <ul className="m-0 pl-4">
                {b.takes_over.map((t) => (
                  <li key={t}>{t}</li>
                ))}
              </ul>
              {b.patch.length > 0 && (
                <button type="button" className="btn btn-main my-2" onClick={() => void edit(b.patch as PatchOp[], `took the fit of ${name} over`)}>
                  Use the fitted values
                </button>
              )}
            </>
          )}
          <p className="my-1 text-[12px] text-chalk-dim">
            Load power is solar and other charging less what goes into the bank. The fridge shows by how the load follows the cabin’s warmth: without a measured
            cabin the run’s is taken. A short or even log can’t tell them apart, and says so.
          </p>
        </Slate>
      }
    />
  );
}

/** A weather file: read first, what is still to be told of a plain table asked for, then taken as a place. */
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { api, type Schemas, take } from "../../data/client";
import { FileHead } from "../../parts/FileHead";
import { FindingList } from "../../parts/Findings";
import { says } from "../../words/trips";
import { useOwnPlaces } from "./places";

type Text = Schemas["WeatherText"];
const MOST_BYTES = 12_000_000;
const COLUMNS: [string, string][] = [
  ["time", says("time")],
  ["ghi", says("global-radiation-w-m")],
  ["air", says("air-temperature-c")],
  ["rh", says("relative-humidity-may-missing")],
];

export function BringInWeather({ onClose, onTaken }: { onClose: () => void; onTaken: (id: string) => void }) {
  const { add } = useOwnPlaces();
  const [given, setGiven] = useState<Text | null>(null);
  const read = useMutation({ mutationFn: (body: Text) => take(api.POST("/api/weather/read", { body })) });
  const found = read.data;
  const send = (next: Text) => {
    setGiven(next);
    read.mutate(next);
  };
  const number = (key: "lat_deg" | "lon_deg" | "elevation_m" | "utc_offset_h", word: string) => (
    <label className="flex items-center gap-1">
      {word}
      <input
        className="field num w-20"
        type="number"
        step="any"
        defaultValue={given?.[key] ?? ""}
        onBlur={(e) => given && send({ ...given, [key]: e.target.value === "" ? null : Number(e.target.value) })}
      />
    </label>
  );
  return (
    <FileHead
      title={says("import-weather-file")}
      kinds={says("file-epw-tmy3-csv")}
      accept=".epw,.csv,.txt,text/*"
      label={says("weather-file")}
      item={says("weather-file-2")}
      mostBytes={MOST_BYTES}
      hint={says("year-hour-finer-monthly")}
      onText={(text, name) => send({ text, name: name.replace(/\.[a-z0-9]+$/i, "").slice(0, 120), columns: {} })}
      onClose={onClose}
      busy={read.isPending}
      problem={read.error?.message}
      take={{
        word: says("add-place"),
        ready: found?.place != null,
        run: async () => {
          const id = found?.place && (await add(found.place as never));
          if (id) onTaken(id);
        },
      }}
    >
      {found && given && (
        <>
          {found.asks.length > 0 && <p role="status">{says("still-told", { asks: found.asks.join("; ") })}</p>}
          {found.kind === "csv" && (
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
              {number("lat_deg", says("latitude-n"))}
              {number("lon_deg", says("longitude-e"))}
              {number("elevation_m", says("height-m"))}
              {number("utc_offset_h", says("standard-time-h-utc"))}
              <label className="flex items-center gap-1">
                {says("time-marks")}
                <select className="field" value={given.marks ?? ""} onChange={(e) => send({ ...given, marks: (e.target.value || null) as Text["marks"] })}>
                  <option value="">–</option>
                  <option value="start">{says("start-hour")}</option>
                  <option value="end">{says("end-hour")}</option>
                </select>
              </label>
            </div>
          )}
          {found.summary && <p className="my-1">{found.summary}</p>}
          {found.place && <FindingList findings={found.findings} empty={says("nothing-odd-no-gaps")} />}
        </>
      )}
    </FileHead>
  );
}

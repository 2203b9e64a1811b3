/** Places of one's own: by their coordinates, or from a weather file; and what sun and air are to be expected there. */

import { scaleLinear } from "d3-scale";
import { useCallback, useState } from "react";
import { degrees, MONTH, unitFor } from "../../data/show";
import { useVariant } from "../../data/variant";
import { type Column, Ledger } from "../../parts/Ledger";
import { QuantityProperty, TextProperty } from "../../parts/Property";
import { useWidth } from "../../pictures/useWidth";
import { Bench } from "../../shell/Bench";
import { useCall } from "../../shell/call";
import { useHand } from "../../shell/hand";
import { usePerson, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { says } from "../../words/trips";
import { BringInWeather } from "./BringInWeather";
import { type OwnPlace, useOwnPlaces } from "./places";
import { ViewSwitch } from "./ViewSwitch";

const INITIALS = MONTH.map((m) => m.slice(0, 1));

/** Sun by month as posts, mean nights and days as a band. */
function Year({ p }: { p: OwnPlace }) {
  const { units } = usePerson();
  const [box, width] = useWidth<HTMLDivElement>();
  const w = p.weather;
  if (!w) return null;
  const step = (width - 70) / 12;
  const sun = scaleLinear([0, Math.max(6, ...w.ghi_kwh_m2_day)], [120, 14]);
  const air = scaleLinear([Math.min(0, ...w.tmin_c), Math.max(20, ...w.tmax_c)], [230, 144]);
  return (
    <div ref={box} className="px-2 pt-1">
      <svg viewBox={`0 0 ${width} 252`} className="block w-full" role="img" aria-label={says("sun-air-month", { name: p.name })}>
        <text x="4" y="24" fontSize="11.5" fontWeight="600" fill="currentColor">
          {says("sun")}
        </text>
        <text x="4" y="38" fontSize="9.5" fill="var(--color-dim)">
          kWh/m² d
        </text>
        <text x="4" y="156" fontSize="11.5" fontWeight="600" fill="currentColor">
          {says("air-c", { unit: unitFor("°C", units) })}
        </text>
        {INITIALS.map((m, i) => {
          const x = 62 + i * step;
          const light = w.ghi_kwh_m2_day[i] ?? 0;
          const [lo, hi] = [w.tmin_c[i] ?? 0, w.tmax_c[i] ?? 0];
          return (
            <g key={i}>
              <rect x={x} y={sun(light)} width={step * 0.62} height={120 - sun(light)} fill="var(--color-gorse)" opacity="0.75" />
              <text x={x + step * 0.31} y={sun(light) - 3} fontSize="10" textAnchor="middle" className="num" fill="currentColor">
                {light.toFixed(1)}
              </text>
              <rect x={x + step * 0.2} y={air(hi)} width={step * 0.22} height={Math.max(1, air(lo) - air(hi))} fill="var(--color-loch)" opacity="0.6" />
              <text x={x + step * 0.31} y={air(hi) - 3} fontSize="9.5" textAnchor="middle" className="num" fill="currentColor">
                {degrees(hi, units)}
              </text>
              <text x={x + step * 0.31} y={air(lo) + 10} fontSize="9.5" textAnchor="middle" className="num" fill="currentColor">
                {degrees(lo, units)}
              </text>
              <text x={x + step * 0.31} y="249" fontSize="10.5" textAnchor="middle" fill="var(--color-dim)">
                {m}
              </text>
            </g>
          );
        })}
        <path d={`M56 120H${width - 8}M56 ${air(0)}H${width - 8}`} stroke="var(--color-line)" />
      </svg>
    </div>
  );
}

export function PlacesView() {
  const say = useSaid();
  const { design } = useVariant();
  const { items, used, set, remove, add } = useOwnPlaces();
  const hand = useHand();
  const [bringing, setBringing] = useState(false);
  const rowId = useCallback((p: OwnPlace) => p.id, []);
  const held = hand.kind === "place" ? items.find((p) => p.id === hand.id) : undefined;
  const create = useCallback(async () => {
    const id = await add({
      name: says("place-2", { items_count: items.length + 1 }),
      lat_deg: 57,
      lon_deg: -4,
      elevation_m: null,
      utc_offset_h: null,
      weather: null,
    });
    if (id) hand.pick("place", id);
  }, [add, items.length, hand.pick]);
  useCall("bothy:new", create);
  const columns: Column<OwnPlace>[] = [
    {
      key: "name",
      label: says("place"),
      width: "30%",
      kind: "text",
      show: (p) => p.name,
      value: (p) => p.name,
      set: (p, name) => void set(p, { name }, says("name")),
    },
    { key: "at", label: says("where"), width: "22%", kind: "computed", show: (p) => `${p.lat_deg.toFixed(2)}, ${p.lon_deg.toFixed(2)}` },
    {
      key: "weather",
      label: says("weather"),
      width: "34%",
      kind: "computed",
      show: (p) => <span className="font-sans text-peat">{p.weather?.source ?? says("nearest-place-table")}</span>,
    },
    {
      key: "used",
      label: says("trip"),
      width: "14%",
      kind: "computed",
      show: (p) => (used.has(p.id) ? says("yes") : <span className="text-dim">{says("no")}</span>),
    },
  ];
  return (
    <Bench
      title={says("trips")}
      sentence={
        items.length
          ? says("place-places-your-own", { items_count: items.length, has_legs: Boolean(design.trips?.legs?.length) })
          : says("places-your-own-where")
      }
      picture={held?.weather ? <Year p={held} /> : undefined}
      tools={
        <>
          <ViewSwitch />
          <button type="button" className="btn btn-main" onClick={() => void create()}>
            {says("add-place-n")}
          </button>
          <button type="button" className="btn" onClick={() => setBringing(true)}>
            {says("import-weather-file")}
          </button>
        </>
      }
      ledger={
        bringing ? (
          <BringInWeather
            onClose={() => setBringing(false)}
            onTaken={(id) => {
              setBringing(false);
              hand.pick("place", id);
            }}
          />
        ) : (
          <Ledger
            label={says("places")}
            rows={items}
            columns={columns}
            id={rowId}
            selected={held?.id}
            onSelect={(p) => hand.pick("place", p.id)}
            onAdd={() => void create()}
            onRemove={(p) => void remove(p)}
            empty={<p className="m-0 max-w-xl text-[15px]">{says("none-yet-climate-table")}</p>}
          />
        )
      }
      slate={
        held ? (
          <Slate title={held.name} sub={held.weather?.source ?? says("weather-nearest-place-table")}>
            <TextProperty label={says("name")} value={held.name} maxLength={120} onSet={(name) => name.trim() && void set(held, { name }, says("name"))} />
            <QuantityProperty
              label={says("latitude-n-2")}
              value={held.lat_deg}
              dimension="count"
              unit=""
              onSet={(v) => v != null && void set(held, { lat_deg: v }, says("latitude"))}
            />
            <QuantityProperty
              label={says("longitude-e-2")}
              value={held.lon_deg}
              dimension="count"
              unit=""
              onSet={(v) => v != null && void set(held, { lon_deg: v }, says("longitude"))}
            />
            <QuantityProperty
              label={says("height-above-sea")}
              value={held.elevation_m}
              dimension="length"
              unit="m"
              clearable
              placeholder={says("neighbour")}
              onSet={(v) => void set(held, { elevation_m: v }, says("height"))}
            />
            <QuantityProperty
              label={says("standard-time-h-utc")}
              value={held.utc_offset_h}
              dimension="count"
              unit=""
              clearable
              placeholder={says("neighbour")}
              onSet={(v) => void set(held, { utc_offset_h: v }, says("standard-time"))}
            />
            {held.weather && (
              <p className="my-2 text-[12px] text-chalk-dim">
                {say(
                  says("day-like-one-before", {
                    kt_autocorr: held.weather.kt_autocorr,
                    temp_autocorr: held.weather.temp_autocorr,
                    spread_k: held.weather.spread_k,
                    day_count: held.weather.day_count,
                  }),
                )}
              </p>
            )}
            <button type="button" className="btn btn-slate mt-2" disabled={used.has(held.id)} onClick={() => void remove(held)}>
              {used.has(held.id) ? says("trip-take-legs-out") : says("remove-place")}
            </button>
          </Slate>
        ) : (
          <Slate title={says("places")} sub={says("sun-air-trip")}>
            <p className="my-1">{says("pick-place-change-leg")}</p>
            <p className="my-1 text-[12px] text-chalk-dim">{say(says("weather-file-replaces-twelve"))}</p>
          </Slate>
        )
      }
    />
  );
}

/** Stage 1, Vehicle: preset, region, inside size, payload and where the bank stands. */

import { Link } from "react-router";
import { show } from "../../data/show";
import type { Dimension } from "../../data/units";
import { useVariant } from "../../data/variant";
import { SlateFig } from "../../parts/Fig";
import { FindingList } from "../../parts/Findings";
import { HeadroomBar } from "../../parts/HeadroomBar";
import { Token } from "../../parts/Token";
import { Bench } from "../../shell/Bench";
import { usePerson, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { says } from "../../words/vehicle";
import { VehiclePlan } from "./VehiclePlan";
import { BANK_PLACES, HULLS, PRESETS, REGIONS, wordOf } from "./words";

type Row = { path: string; label: string; what: string } & (
  | { dimension: Dimension; unit: string; value: number | null | undefined; effective: number }
  | { choices: readonly { value: string; word: string }[]; value: string; said: boolean }
);

function Value({ row }: { row: Row }) {
  const { units } = usePerson();
  if ("choices" in row) return <Token path={row.path} label={row.label} choices={row.choices} value={row.value} shown={wordOf(row.choices, row.value)} />;
  return <Token path={row.path} label={row.label} dimension={row.dimension} unit={row.unit} value={row.value} shown={show(row.effective, row.unit, units)} />;
}

export function Component() {
  const say = useSaid();
  const { id, design, report, edit } = useVariant();
  const { units } = usePerson();
  const v = design.vehicle ?? {};
  const part = report.vehicle;
  const assumed = (path: string) => report.assumptions.find((a) => a.path === path);
  const number = (key: "alternator_rated_a" | "vehicle_voltage_v", fallback: number) => v[key] ?? Number(assumed(`/vehicle/${key}`)?.value ?? fallback);
  const smart = v.smart_alternator ?? Boolean(assumed("/vehicle/smart_alternator")?.value);
  const rows: Row[] = [
    {
      path: "/vehicle/preset",
      label: says("kind-vehicle"),
      what: says("gives-all-you-have"),
      choices: PRESETS,
      value: v.preset ?? "panel_van",
      said: true,
    },
    { path: "/region", label: says("region"), what: say(report.licensed), choices: REGIONS, value: design.region ?? "uk", said: true },
    {
      path: "/vehicle/inside_length_m",
      label: says("inside-length"),
      what: says("bulkhead-rear-door-bed"),
      dimension: "length",
      unit: "m",
      value: v.inside_length_m,
      effective: part.inside_length_m,
    },
    {
      path: "/vehicle/inside_width_m",
      label: says("inside-width"),
      what: says("between-bare-walls-bed"),
      dimension: "length",
      unit: "m",
      value: v.inside_width_m,
      effective: part.inside_width_m,
    },
    {
      path: "/vehicle/inside_height_m",
      label: says("inside-height"),
      what: says("bare-floor-bare-roof"),
      dimension: "length",
      unit: "m",
      value: v.inside_height_m,
      effective: part.inside_height_m,
    },
    {
      path: "/vehicle/payload_kg",
      label: says("payload"),
      what: says("plated-mass-less-empty"),
      dimension: "mass",
      unit: "kg",
      value: v.payload_kg,
      effective: part.payload_kg,
    },
    {
      path: "/vehicle/bank_place",
      label: says("place-bank"),
      what: says("sets-how-cold-cells"),
      choices: BANK_PLACES,
      value: part.bank_place,
      said: v.bank_place != null,
    },
    {
      path: "/vehicle/vehicle_voltage_v",
      label: says("vehicles-own-voltage"),
      what: says("v-cars-vans-v"),
      choices: [
        { value: "12", word: "12 V" },
        { value: "24", word: "24 V" },
      ],
      value: String(number("vehicle_voltage_v", 12)),
      said: v.vehicle_voltage_v != null,
    },
    {
      path: "/vehicle/alternator_rated_a",
      label: says("alternators-label"),
      what: says("amps-plate-trailer"),
      dimension: "current",
      unit: "A",
      value: v.alternator_rated_a,
      effective: number("alternator_rated_a", 0),
    },
  ];
  return (
    <Bench
      title={says("vehicle")}
      sentence={
        <>
          A <Token path="/vehicle/preset" label={says("kind-vehicle")} choices={PRESETS} value={v.preset ?? "panel_van"} shown={part.preset_name} /> in{" "}
          <Token path="/region" label={says("region")} choices={REGIONS} value={design.region ?? "uk"} shown={wordOf(REGIONS, design.region)} />
          {says("inside")}{" "}
          <Token
            path="/vehicle/inside_length_m"
            label={says("inside-length")}
            dimension="length"
            unit="m"
            value={v.inside_length_m}
            shown={show(part.inside_length_m, "m", units)}
          />{" "}
          {says("long")}{" "}
          <Token
            path="/vehicle/inside_width_m"
            label={says("inside-width")}
            dimension="length"
            unit="m"
            value={v.inside_width_m}
            shown={show(part.inside_width_m, "m", units)}
          />{" "}
          {says("wide")}{" "}
          <Token
            path="/vehicle/inside_height_m"
            label={says("inside-height")}
            dimension="length"
            unit="m"
            value={v.inside_height_m}
            shown={show(part.inside_height_m, "m", units)}
          />{" "}
          {says("high-payload")}{" "}
          <Token
            path="/vehicle/payload_kg"
            label={says("payload")}
            dimension="mass"
            unit="kg"
            value={v.payload_kg}
            shown={show(part.payload_kg, "kg", units)}
          />
          {says("bank-stands")}{" "}
          <Token
            path="/vehicle/bank_place"
            label={says("place-bank")}
            choices={BANK_PLACES}
            value={part.bank_place}
            shown={wordOf(BANK_PLACES, part.bank_place)}
          />
          .
        </>
      }
      picture={<VehiclePlan />}
      ledger={
        <table className="w-full border-collapse text-[13px]" aria-label={says("vehicle-basics")}>
          <tbody>
            {rows.map((row) => (
              <tr key={row.path} className="border-b border-line/60">
                <th scope="row" className="w-44 px-3 py-1.5 text-left font-normal">
                  {row.label}
                </th>
                <td className="w-56 px-2">
                  <Value row={row} />
                </td>
                <td className="px-2 text-dim">{row.what}</td>
              </tr>
            ))}
            <tr className="border-b border-line/60">
              <th scope="row" className="px-3 py-1.5 text-left font-normal">
                {says("smart-alternator")}
              </th>
              <td className="px-2">
                <SmartToken smart={smart} />
              </td>
              <td className="px-2 text-dim">{says("most-vehicles-since-about")}</td>
            </tr>
            {v.preset === "boat" && (
              <tr className="border-b border-line/60">
                <th scope="row" className="px-3 py-1.5 text-left font-normal">
                  {says("hull")}
                </th>
                <td className="px-2">
                  <Token
                    path="/vehicle/hull"
                    label={says("hull")}
                    choices={HULLS}
                    value={v.hull ?? ""}
                    shown={v.hull ? wordOf(HULLS, v.hull) : says("not-entered")}
                  />
                </td>
                <td className="px-2 text-dim">{say(says("metal-hull-carries-no"))}</td>
              </tr>
            )}
            <tr className="border-b border-line/60">
              <th scope="row" className="px-3 py-1.5 text-left font-normal">
                {says("starter-battery-topped-up")}
              </th>
              <td className="px-2">
                <label>
                  <input
                    type="checkbox"
                    aria-label={says("starter-battery-topped-up")}
                    checked={v.starter_trickle ?? false}
                    onChange={(e) => void edit([{ op: "replace", path: "/vehicle/starter_trickle", value: e.target.checked }], says("trickle-starter-battery"))}
                  />{" "}
                  {v.starter_trickle ? says("yes") : says("no")}
                </label>
              </td>
              <td className="px-2 text-dim">{says("trickle-house-bank-starts")}</td>
            </tr>
            <tr className="border-b border-line/60">
              <th scope="row" className="px-3 py-1.5 text-left font-normal">
                {says("shape-inside")}
              </th>
              <td className="px-2">
                <Link className="font-semibold underline decoration-gorse decoration-2 underline-offset-4" to={`/v/${id}/fit?view=measure`}>
                  {report.fit.body.measured ? says("measured-stations", { stations_count: report.fit.body.stations.length }) : says("usual-kind-scaled")}
                </Link>
              </td>
              <td className="px-2 text-dim">{says("walls-wheel-arches-doors")}</td>
            </tr>
            <tr>
              <th scope="row" className="px-3 py-1.5 text-left align-top font-normal">
                {says("what")}
              </th>
              <td className="px-2" colSpan={2}>
                <Token path="/vehicle/description" label={says("what")} text={v.description ?? ""} shown={v.description || says("say-few-words")} />
              </td>
            </tr>
          </tbody>
        </table>
      }
      slate={
        <Slate title={says("vehicle")} sub={part.preset_name}>
          <FindingList findings={report.findings.filter((f) => f.stage === "vehicle")} />
          <HeadroomBar label={says("payload-used-far")} need={part.payload_used_kg} have={part.payload_kg} unit="kg" margin={0.1} />
          <SlateFig k="vehicle/loaded_kg" />
          <SlateFig k="power/mass_kg" />
          <SlateFig k="vehicle/payload_kg" />
          <SlateFig k="power/bank/cold_c" />
          <h3 className="mb-1 mt-3 font-display text-[14px]">{says("assumed-far")}</h3>
          {report.assumptions.length === 0 && <p className="text-chalk-dim">{says("nothing-all-said")}</p>}
          <ul className="m-0 list-none p-0">
            {report.assumptions.map((a) => (
              <li key={a.path} className="border-b border-slate-2 py-0.5">
                <span className="text-[#d3b6e6] underline decoration-dotted">{say(a.label)}</span>{" "}
                <span className="num">{a.shown || (typeof a.value === "number" ? show(a.value, a.unit, units) : String(a.value).replace(/_/g, " "))}</span>
                <div className="text-[11px] text-chalk-dim">{say(a.why)}</div>
              </li>
            ))}
          </ul>
        </Slate>
      }
    />
  );
}

function SmartToken({ smart }: { smart: boolean }) {
  const { design, report, edit } = useVariant();
  const assumed = report.assumptions.some((a) => a.path === "/vehicle/smart_alternator");
  return (
    <label className={assumed ? "text-heather" : ""}>
      <input
        type="checkbox"
        checked={design.vehicle?.smart_alternator ?? smart}
        onChange={(e) => void edit([{ op: "replace", path: "/vehicle/smart_alternator", value: e.target.checked }], says("smart-alternator"))}
      />{" "}
      {smart ? says("yes") : says("no")}
      {assumed && says("assumed")}
    </label>
  );
}

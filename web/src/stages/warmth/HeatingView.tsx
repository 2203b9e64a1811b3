/** Heating: heaters against the loss, what they burn through the year, how fast it gets warm. */
import { scaleLinear } from "d3-scale";
import { useCatalogue } from "../../data/catalogue";
import { degrees, HEAT_W, MONTH, show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { choice, Fields, flag, mm, quantity, words } from "../../parts/Fields";
import { Fig, SlateFig } from "../../parts/Fig";
import { FindingList } from "../../parts/Findings";
import { HeadroomBar } from "../../parts/HeadroomBar";
import { ItemLedger, nameColumn, useMaking } from "../../parts/ItemLedger";
import type { Column } from "../../parts/Ledger";
import { ChoiceProperty } from "../../parts/Property";
import { TakeOut } from "../../parts/TakeOut";
import { useWidth } from "../../pictures/useWidth";
import { Bench } from "../../shell/Bench";
import { usePerson, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { StageViews } from "../../shell/ViewSwitch";
import { says } from "../../words/warmth";
import { type Heater, useHeaters } from "./edit";
import { Sentence } from "./Sentence";
import { ENDS, FUELS, HEATER_KINDS, PLACES, VIEWS, wordOf } from "./words";

const CAUTION = says("carbon-monoxide-kills-without");

/** Heat by month as posts with the fuel over them, and the warm-up as a curve. */
function Year() {
  const { units } = usePerson();
  const { report } = useVariant();
  const [box, width] = useWidth<HTMLDivElement>();
  const part = report.warmth;
  const up = part.warm_up;
  const H = 262;
  const split = up ? width * 0.6 : width;
  const step = (split - 78) / 12;
  const most = Math.max(100, ...part.months.map((m) => m.heat_kwh));
  const y = scaleLinear([0, most], [H - 40, 34]);
  const fuel = part.months.some((m) => m.fuel_l != null) ? "L" : part.months.some((m) => m.fuel_kg != null) ? "kg" : null;
  const x2 = up ? scaleLinear([0, up.minutes.at(-1) ?? 60], [split + 52, width - 14]) : null;
  const temps = up ? [...up.curve_c, part.indoor_c] : [];
  const y2 = up ? scaleLinear([Math.min(...temps), Math.max(...temps) + 2], [H - 40, 34]) : null;
  return (
    <div ref={box} className="px-2 pt-1">
      <svg viewBox={`0 0 ${width} ${H}`} className="block w-full" role="img" aria-label={says("heat-month-warm-up")}>
        <text x="8" y="18" fontSize="12" fontWeight="600" fill="currentColor">
          {says("heat-month-kwh-fuel", { has_fuel: Boolean(fuel), fuel: fuel ?? "" })}
        </text>
        {part.months.map((m, i) => (
          <g key={m.month}>
            <rect
              x={62 + i * step}
              y={y(m.heat_kwh)}
              width={step * 0.66}
              height={Math.max(0, H - 40 - y(m.heat_kwh))}
              fill="var(--color-rust)"
              fillOpacity={m.planned ? 0.7 : 0.18}
              stroke="var(--color-rust)"
              strokeWidth="0.8"
              strokeDasharray={m.planned ? undefined : "2 2"}
            />
            <text x={62 + i * step + step * 0.33} y={y(m.heat_kwh) - 4} fontSize="10" textAnchor="middle" className="num" fill="currentColor">
              {fuel === "L" ? Math.round(m.fuel_l ?? 0) : fuel === "kg" ? Math.round(m.fuel_kg ?? 0) : Math.round(m.heat_kwh)}
            </text>
            <text x={62 + i * step + step * 0.33} y={H - 26} fontSize="10.5" textAnchor="middle" fill="currentColor" fontWeight={m.planned ? 600 : 400}>
              {MONTH[i]}
            </text>
            <text x={62 + i * step + step * 0.33} y={H - 13} fontSize="9.5" textAnchor="middle" className="num" fill="var(--color-dim)">
              {degrees(m.mean_c, units)}
            </text>
          </g>
        ))}
        {y.ticks(4).map((t) => (
          <g key={t}>
            <path d={`M56 ${y(t)}H${split - 16}`} stroke="var(--color-line)" strokeWidth="0.7" />
            <text x="52" y={y(t) + 3.5} fontSize="10" textAnchor="end" className="num" fill="var(--color-dim)">
              {t}
            </text>
          </g>
        ))}
        <text x="62" y={H - 1} fontSize="9.5" fill="var(--color-dim)">
          {says("filled-months-plan")}
        </text>
        {up && x2 && y2 && (
          <g>
            <text x={split + 20} y="18" fontSize="12" fontWeight="600" fill="currentColor">
              {says("warming-up-w", { power: show(Math.round(up.power_w), HEAT_W, units) })}
            </text>
            {y2.ticks(5).map((t) => (
              <g key={t}>
                <path d={`M${split + 48} ${y2(t)}H${width - 10}`} stroke="var(--color-line)" strokeWidth="0.7" />
                <text x={split + 44} y={y2(t) + 3.5} fontSize="10" textAnchor="end" className="num" fill="var(--color-dim)">
                  {degrees(t, units)}
                </text>
              </g>
            ))}
            <path
              d={up.curve_c.map((t, i) => `${i ? "L" : "M"}${x2(up.minutes[i] ?? 0).toFixed(1)} ${y2(t).toFixed(1)}`).join("")}
              fill="none"
              stroke="var(--color-rust)"
              strokeWidth="2"
            />
            {up.first_min != null && (
              <g>
                <path d={`M${x2(up.first_min)} ${y2(part.indoor_c)}V${H - 40}`} stroke="currentColor" strokeDasharray="3 3" strokeWidth="0.8" />
                <text x={x2(up.first_min) - 3} y={H - 45} fontSize="10.5" textAnchor="end" className="num" fill="currentColor">
                  {`${Math.round(up.first_min)} min`}
                </text>
              </g>
            )}
            {x2.ticks(4).map((t) => (
              <text key={t} x={x2(t)} y={H - 26} fontSize="10" textAnchor="middle" className="num" fill="var(--color-dim)">
                {t}
              </text>
            ))}
            <text x={width - 14} y={H - 12} fontSize="9.5" textAnchor="end" fill="var(--color-dim)">
              {up.whole_min != null ? says("minutes-walls-seats-warm", { whole_min: Math.round(up.whole_min) }) : says("minutes")}
            </text>
          </g>
        )}
      </svg>
    </div>
  );
}

const ROUTES = [
  mm("exhaust_length_mm", says("exhaust-long"), { clearable: true, placeholder: says("measure"), note: says("mm-most") }),
  quantity("exhaust_bends_deg", says("exhaust-bends-all"), "count", "", { clearable: true, placeholder: says("measure"), note: says("most") }),
  choice("exhaust_end", says("ends"), ENDS, { none: says("not-entered") }),
  mm("exhaust_end_mm", says("end-nearest-opening"), { clearable: true, placeholder: says("measure"), note: says("mm-least-2") }),
  mm("exhaust_to_combustible_mm", says("exhaust-what-burns"), { clearable: true, placeholder: says("measure"), note: says("mm-sleeve-bare") }),
  flag("exhaust_sleeved", says("has-heat-sleeve")),
  flag("exhaust_low_point", says("has-low-point")),
  flag("exhaust_drain", says("drain-hole-low-point")),
  flag("joint_inside", says("joint-lies-living-space")),
  flag("intake_inside", says("draws-air-inside")),
  flag("fuel_joint_inside", says("fuel-joint-lies-inside")),
  quantity("pump_slope_deg", says("fuel-pump-outlet-up"), "count", "", { clearable: true, placeholder: says("measure"), note: says("to") }),
  quantity("suction_m", says("fuel-pump-suction"), "length", "m", { clearable: true, placeholder: says("measure"), note: says("m-most") }),
  mm("service_clear_mm", says("clear-service-side"), { clearable: true, placeholder: says("measure"), note: says("mm-least") }),
  flag("feed_switched", says("feed-passes-switch"), says("must-run-down-itself")),
];

const FIGURES = {
  needed_w: says("asked-margin"),
  available_w: says("output-here"),
  holds_down_to_temp_c: says("holds-warmth-down"),
  cycles_above_temp_c: says("goes-off-above"),
  fuel_l_day: says("fuel-coldest-day"),
  fuel_kg_day: says("fuel-mass"),
  autonomy_days: says("tank-lasts"),
  electrical_wh_day: says("electricity-coldest-day"),
};

/** The fields that a catalogue heater gives. */
export function heaterFields(p: { key: string; name: string; mass_kg: number; data: Record<string, unknown> }): Partial<Heater> {
  const d = p.data as Record<string, never>;
  return {
    name: p.name,
    part: p.key,
    kind: d.heater_kind,
    fuel: d.fuel,
    max_w: d.max_w,
    min_w: d.min_w,
    efficiency_frac: d.efficiency_frac,
    air_flow_m3_h: d.air_flow_m3_h ?? null,
    fan_pressure_pa: d.fan_pressure_pa ?? 200,
    outlet_biases: Number(d.outlet_count) === 4 ? [1.1, 1.1, 0.9, 0.9] : [1],
    run_min_w: d.run_min_w,
    run_max_w: d.run_max_w,
    start_energy_wh: d.start_energy_wh,
    room_sealed: d.heater_kind !== "stove",
    mass_kg: p.mass_kg,
  };
}

function HeaterSlate({ h }: { h: Heater }) {
  const say = useSaid();
  const { report, design, edit } = useVariant();
  const { set, remove } = useHeaters();
  const catalogue = useCatalogue();
  const index = design.warmth?.heaters?.findIndex((x) => x.id === h.id) ?? 0;
  const part = report.warmth.heaters[h.id];
  const lines = (design.life?.appliances ?? []).filter((a) => a.kind === "heating");
  const heaters = (catalogue.data ?? []).filter((p) => p.kind === "heater");
  return (
    <Slate title={h.name} sub={`${wordOf(HEATER_KINDS, h.kind)}, ${wordOf(FUELS, h.fuel)}`}>
      <FindingList findings={report.findings.filter((f) => f.subject === `heater:${h.id}`)} />
      {part && <HeadroomBar label={says("heat-design-cold")} need={part.needed_w} have={part.available_w} unit={HEAT_W} margin={0.1} />}
      {(Object.entries(FIGURES) as [keyof typeof FIGURES, string][]).map(([k, label]) => (
        <SlateFig key={k} k={`heaters/${h.id}/${k}`} label={label} />
      ))}
      <ChoiceProperty
        label={say(says("catalogue"))}
        value={h.part ?? ""}
        options={[{ value: "", word: says("your-own") }, ...heaters.map((p) => ({ value: p.key, word: `${p.name}, ${p.maker}` }))]}
        onSet={(key) => {
          const p = heaters.find((x) => x.key === key);
          if (p) void set(h, heaterFields(p as never), p.name);
        }}
      />
      <ChoiceProperty
        label={says("which-appliance-daily-use")}
        note={says("electricity-counts-once")}
        value={h.appliance ?? ""}
        options={[{ value: "", word: says("none") }, ...lines.map((a) => ({ value: a.id, word: a.name }))]}
        onSet={(v) => void set(h, { appliance: v || null }, says("line-daily-use"))}
      />
      <Fields
        specs={[
          words("name", says("name")),
          choice("kind", says("kind"), HEATER_KINDS),
          choice("fuel", says("burns"), FUELS),
          quantity("max_w", says("largest-output"), "power", HEAT_W),
          quantity("min_w", says("least-output"), "power", HEAT_W),
          quantity("efficiency_frac", says("efficiency"), "fraction", "", { clearable: true, placeholder: says("usual") }),
          quantity("air_flow_m3_h", says("air-blows"), "airflow", "m³/h", { clearable: true, placeholder: says("none") }),
          quantity("run_min_w", says("electricity-least-output"), "power", "W"),
          quantity("run_max_w", says("electricity-full-output"), "power", "W"),
          quantity("start_energy_wh", says("electricity-start"), "energy", "Wh"),
          quantity("tank_volume_l", says("tank"), "volume", "L", { clearable: true, placeholder: says("not-entered") }),
          quantity("tank_mass_kg", says("bottle-wood-aboard"), "mass", "kg", { clearable: true, placeholder: says("not-entered") }),
          quantity("tank_usable_frac", says("usable"), "fraction", "", { note: says("standpipe-stops-quarter") }),
          choice("place", says("stands"), PLACES),
          flag("room_sealed", says("room-sealed"), says("air-outside-exhaust-outside")),
          flag("altitude_kit", says("set-height"), say(says("over-m"))),
        ]}
        item={h}
        onSet={(key, value, label) => void set(h, { [key]: value }, label)}
      />
      {h.fuel !== "electric" && (
        <>
          <h3 className="mb-1 mt-3 font-display text-[14px]">{says("exhaust-air-fuel-power")}</h3>
          <Fields
            specs={ROUTES}
            item={h.routes ?? {}}
            onSet={(key, value, label) => void edit([{ op: "replace", path: `/warmth/heaters/${index}/routes/${key}`, value }], `${h.name}: ${label}`)}
          />
        </>
      )}
      <TakeOut remove={() => remove(h)}>{says("remove-heater")}</TakeOut>
      <p className="mt-3 border-l-2 border-gorse pl-2 text-[12px] text-chalk-dim">{say(CAUTION)}</p>
    </Slate>
  );
}

function Whole() {
  const { units } = usePerson();
  const { report } = useVariant();
  const say = useSaid();
  const part = report.warmth;
  return (
    <Slate title={says("heat-air")} sub={says("heating")}>
      <HeadroomBar
        label={says("heat-design-cold")}
        need={part.needed_w}
        have={Object.values(part.heaters).reduce((a, h) => a + h.available_w, 0)}
        unit={HEAT_W}
        margin={0.1}
      />
      <FindingList findings={report.findings.filter((f) => f.stage === "warmth" && f.subject.startsWith("heater"))} />
      <SlateFig k="warmth/design_heat_w" label={says("heater-choose")} />
      <SlateFig k="warmth/warm_up_min" label={says("warm-after")} />
      <SlateFig k="warmth/time_constant_h" />
      {part.warm_up?.coast_h != null && <p className="my-1 text-[12px] text-chalk-dim">{say(says("heater-off-falls-c", { coast_h: part.warm_up.coast_h }))}</p>}
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("zones")}</h3>
      <ul className="m-0 list-none p-0 text-[12px]">
        {Object.entries(part.zones).map(([z, p]) => (
          <li key={z} className="flex justify-between">
            <span>{z}</span>
            <span className="num">
              {says("w-ducts-bring", {
                heat: show(Math.round(p.heat_w), HEAT_W, units),
                has_brought_w: p.brought_w != null,
                brought: p.brought_w != null ? show(Math.round(p.brought_w), HEAT_W, units) : "",
              })}
            </span>
          </li>
        ))}
      </ul>
      <p className="mt-3 border-l-2 border-gorse pl-2 text-[12px] text-chalk-dim">{say(CAUTION)}</p>
    </Slate>
  );
}

export function HeatingView() {
  const { report } = useVariant();
  const say = useSaid();
  const { units } = usePerson();
  const heaters = useHeaters();
  const { set } = heaters;
  const part = report.warmth;
  const { create, held } = useMaking(heaters, "heater", () => ({
    name: says("heater-2"),
    max_w: 2000,
    min_w: 800,
    run_min_w: 8,
    run_max_w: 28,
    start_energy_wh: 5,
    air_flow_m3_h: 90,
  }));
  const columns: Column<Heater>[] = [
    nameColumn(heaters, says("heater-3"), "26%"),
    {
      key: "fuel",
      label: says("burns"),
      width: "11%",
      kind: "choice",
      options: FUELS,
      show: (h) => wordOf(FUELS, h.fuel),
      value: (h) => h.fuel ?? "diesel",
      set: (h, v) => void set(h, { fuel: v as Heater["fuel"] }, says("fuel")),
    },
    {
      key: "out",
      label: says("output"),
      width: "13%",
      align: "right",
      kind: "quantity",
      dimension: "power",
      unit: HEAT_W,
      show: (h) => show(h.max_w, HEAT_W, units),
      value: (h) => h.max_w,
      set: (h, q) => q && void set(h, { max_w: q.value }, says("output")),
    },
    { key: "holds", label: says("holds"), width: "12%", align: "right", kind: "computed", show: (h) => <Fig k={`heaters/${h.id}/holds_down_to_temp_c`} /> },
    {
      key: "cycles",
      label: says("cycles-above"),
      width: "13%",
      align: "right",
      kind: "computed",
      show: (h) => <Fig k={`heaters/${h.id}/cycles_above_temp_c`} />,
    },
    {
      key: "fuelday",
      label: says("fuel-coldest-day-2"),
      width: "13%",
      align: "right",
      kind: "computed",
      show: (h) => <Fig k={`heaters/${h.id}/${part.heaters[h.id]?.fuel_l_day != null ? "fuel_l_day" : "fuel_kg_day"}`} />,
    },
    { key: "el", label: says("electricity"), width: "12%", align: "right", kind: "computed", show: (h) => <Fig k={`heaters/${h.id}/electrical_wh_day`} /> },
  ];
  return (
    <Bench
      title={says("heat-air")}
      sentence={<Sentence />}
      picture={<Year />}
      tools={
        <>
          <StageViews stage={says("heat-air")} views={VIEWS} />
          <button type="button" className="btn btn-main" onClick={() => void create()}>
            {says("add-heater-n")}
          </button>
          {part.year_fuel_l != null && <span className="text-dim">{say(says("l-months-plan", { year_fuel_l: Math.round(part.year_fuel_l) }))}</span>}
        </>
      }
      ledger={
        <ItemLedger
          label={says("heaters")}
          list={heaters}
          kind="heater"
          columns={columns}
          onAdd={create}
          empty={says("no-heater-yet-body", { needed: show(Math.round(part.needed_w), HEAT_W, units) })}
        />
      }
      slate={held ? <HeaterSlate h={held} /> : <Whole />}
    />
  );
}

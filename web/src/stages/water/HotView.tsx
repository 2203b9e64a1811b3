/** Hot water, waste and frost: what the boiler gives, where waste runs, and what freezes on the coldest night. */

import { scaleLog } from "d3-scale";
import { HEAT_W, show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { wordColumn } from "../../parts/columns";
import { choice, Fields, flag, mm, quantity, words } from "../../parts/Fields";
import { SlateFigs } from "../../parts/Fig";
import { FindingList } from "../../parts/Findings";
import { ItemLedger, nameColumn, useMaking } from "../../parts/ItemLedger";
import type { Column } from "../../parts/Ledger";
import { TakeOut } from "../../parts/TakeOut";
import { useWidth } from "../../pictures/useWidth";
import { Bench } from "../../shell/Bench";
import { usePerson, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { StageViews } from "../../shell/ViewSwitch";
import { says } from "../../words/water";
import { type Drain, useDrains, useWater } from "./edit";
import { heats, lineOf } from "./lineOf";
import { Sentence } from "./Sentence";
import { ELEMENT_SUPPLIES, FIXTURES, HEAT_SOURCES, HEATERS, VIEWS, WINTERS, wordOf } from "./words";

const CAUTION = says("c-burns-adult-skin");

/** Hours as people say them. */
export function hours(h: number | null | undefined): string {
  if (h == null) return says("never");
  return h < 1.5 ? `${Math.round(60 * h)} min` : h < 48 ? `${h.toFixed(h < 10 ? 1 : 0)} h` : says("days-2", { h: h / 24 });
}

/** The boiler with its heat and the shower that it gives; beside it, how long each exposed part stands the coldest night. */
function HotPicture() {
  const say = useSaid();
  const { w, part } = useWater();
  const { units } = usePerson();
  const [box, width] = useWidth<HTMLDivElement>();
  const h = part.hot;
  const narrow = width < 620;
  const frost = part.frost;
  const x0 = narrow ? 130 : Math.max(430, width * 0.46) + 120;
  const xs = scaleLog([0.05, 200], [x0, width - 40]).clamp(true);
  const top = narrow ? 190 : 0;
  const H = Math.max(170, top + 60 + frost.length * 30);
  const lines = h
    ? [
        h.time_min != null
          ? say(
              says("c-min", {
                target_temp_c: w.hot?.target_temp_c ?? "",
                time_min_less: h.time_min < 90,
                time_min: h.time_min,
                time_min_2: !(h.time_min < 90) ? hours(h.time_min / 60) : "",
              }),
            )
          : null,
        h.shower_min != null
          ? say(says("min-shower-c", { shower_min: h.shower_min, mixed_l: show(h.mixed_l, "L", units) }))
          : h.endless
            ? says("shower-without-end")
            : null,
        h.reachable_c != null ? say(says("shower-gets-c", { reachable_c: Math.min(h.reachable_c, w.hot?.target_temp_c ?? 60) })) : null,
        h.charge_ah != null ? says("ah-bank-each-heating", { charge_ah: h.charge_ah }) : null,
        h.standing_w != null ? says("w-lost-while-stands", { standing: show(Math.round(h.standing_w), HEAT_W, units) }) : null,
        h.burn ? say(says("c-burns-skin", { max_c: h.max_c, burn: h.burn })) : null,
      ].filter((t) => t !== null)
    : [];
  return (
    <div ref={box} className="px-2 pt-1">
      <svg
        viewBox={`0 0 ${width} ${H}`}
        className="block w-full"
        role="img"
        aria-label={says("hot-water-no-water", {
          has_h: Boolean(h),
          lines: lines.join(", "),
          has_frost: Boolean(frost.length),
          frost: frost.map((f) => `${f.name}${say(says("c-after", { to_zero_h: hours(f.to_zero_h) }))}`).join(", "),
        })}
      >
        <text x="8" y="20" fontSize="12" fontWeight="600" fill="currentColor">
          {w.hot?.name ?? says("no-water-heater")}
        </text>
        {h && (
          <g>
            <rect x="24" y="40" width="74" height="104" rx="10" fill="var(--color-sheet)" stroke="currentColor" strokeWidth="1.8" />
            <rect x="26" y="64" width="70" height="78" rx="8" fill="#a8391f" fillOpacity="0.28" />
            <text x="61" y="100" fontSize="17" textAnchor="middle" className="num" fontWeight="600" fill="currentColor">
              {show(w.hot?.target_temp_c, "°C", units)}
            </text>
            <text x="61" y="120" fontSize="12" textAnchor="middle" className="num" fill="currentColor">
              {w.hot?.kind === "storage" ? show(w.hot?.volume_l, "L", units) : says("flows")}
            </text>
            {lines.map((t, i) => (
              <text key={t} x="118" y={54 + i * 19} fontSize="12" fill="currentColor">
                {t}
              </text>
            ))}
          </g>
        )}
        <text x={narrow ? 8 : x0 - 110} y={top + 20} fontSize="12" fontWeight="600" fill="currentColor">
          {say(says("c-time-freezing", { coldest_c: part.coldest_c }))}
        </text>
        {frost.length === 0 && (
          <text x={narrow ? 8 : x0 - 110} y={top + 48} fontSize="12" fill="currentColor">
            {part.coldest_c >= 0 ? says("no-frost-plan") : says("all-wet-parts-inside")}
          </text>
        )}
        {frost.map((f, i) => {
          const y = top + 36 + i * 30;
          return (
            <g key={f.subject}>
              <text x={x0 - 8} y={y + 13} fontSize="11" textAnchor="end" fill="currentColor">
                {f.name.length > 20 ? `${f.name.slice(0, 19)}…` : f.name}
              </text>
              <rect
                x={x0}
                y={y}
                width={Math.max(3, (f.held ? width - 40 : xs(f.to_zero_h ?? 0.05)) - x0)}
                height="17"
                fill={f.held ? "var(--color-moss)" : (f.to_zero_h ?? 0) < 8 ? "var(--color-rust)" : "var(--color-gorse)"}
                fillOpacity="0.6"
              />
              <text x={x0 + 5} y={y + 13} fontSize="11" className="num" fill="currentColor">
                {f.held
                  ? says("held")
                  : says("ice-w-hold", { to_zero_h: hours(f.to_zero_h), to_ice_h: hours(f.to_ice_h), hold: show(Math.round(f.hold_w), HEAT_W, units) })}
              </text>
            </g>
          );
        })}
      </svg>
    </div>
  );
}

function DrainSlate({ d }: { d: Drain & { name: string } }) {
  const say = useSaid();
  const { report } = useVariant();
  const { set, remove } = useDrains();
  return (
    <Slate title={d.name} sub={says("waste", { fixtures: wordOf(FIXTURES, d.fixture) })}>
      <FindingList findings={report.findings.filter((f) => f.subject === `drain:${d.id}`)} />
      <p className="my-1 text-[12px] text-chalk-dim">
        {say(says("mm-fall-over-length", { slope_frac: Math.round(1000 * (d.slope_frac ?? 0) * (d.length_m ?? 0)) }))}
      </p>
      <Fields
        specs={[
          words("name", says("name")),
          choice("fixture", says("from-the"), FIXTURES),
          mm("inner_diameter_mm", says("bore")),
          quantity("length_m", says("length"), "length", "m"),
          quantity("slope_frac", says("fall"), "fraction", "", { note: says("is-in") }),
          flag("trap", says("trap")),
          ...(d.fixture === "sink"
            ? [
                mm("front_mm", says("worktop-left-before-sink"), { clearable: true, placeholder: says("not-entered") }),
                mm("behind_mm", says("behind"), { clearable: true, placeholder: says("not-entered") }),
              ]
            : []),
        ]}
        item={d}
        onSet={(key, value, label) => void set(d, { [key]: value }, label)}
      />
      <TakeOut remove={() => remove(d)}>{says("remove-waste")}</TakeOut>
    </Slate>
  );
}

function Whole() {
  const say = useSaid();
  const { design, report, edit } = useVariant();
  const { w, part, set } = useWater();
  const h = w.hot;
  const put = (key: string, value: unknown, label: string) => void edit([{ op: "replace", path: `/water/hot/${key}`, value }], says("hot-water", { label }));
  const coil = !!h?.source.includes("coil") || (h?.source === "loop" && h.kind === "storage");
  const element = !!h?.source.includes("element");
  return (
    <Slate title={says("water")} sub={says("hot-waste-frost")}>
      <FindingList findings={report.findings.filter((f) => f.stage === "water" && /^(hot|drain|pipe)/.test(f.subject))} />
      <SlateFigs ks={["water/time_min", "water/shower_min", "water/mixed_l", "water/warm_flow_l_min", "water/battery_charge_ah", "water/shower_heat_w"]} />
      {h ? (
        <>
          <Fields
            specs={[
              words("name", says("name")),
              choice("kind", says("it"), HEATERS),
              choice("source", says("heated"), HEAT_SOURCES),
              ...(h.kind === "storage"
                ? [quantity("volume_l", says("holds"), "volume", "L")]
                : [quantity("min_flow_l_min", says("starts"), "flow", "L/min", { clearable: true, placeholder: says("not-entered") })]),
              quantity("target_temp_c", says("heats"), "temperature", "°C"),
              ...(["element", "coil", "coil_element", "loop"].includes(h.source) ? [] : [quantity("heat_w", says("burners-input"), "power", HEAT_W)]),
              ...(element ? [quantity("element_w", says("element"), "power", "W"), choice("element_supply", says("element-fed"), ELEMENT_SUPPLIES)] : []),
              ...(element && h.element_supply !== "shore" ? [lineOf(design.life?.appliances, heats)] : []),
              ...(coil
                ? [
                    quantity("coil_ua_w_k", says("coil-w-each-kelvin"), "conductance", "W/K"),
                    quantity("coolant_temp_c", says("coolant"), "temperature", "°C"),
                    quantity("coolant_flow_l_min", says("coolant-flow"), "flow", "L/min"),
                  ]
                : []),
              quantity("loss_w_k", says("loses-w-each-kelvin"), "conductance", "W/K"),
              quantity("mixer_c", says("mixer-set"), "temperature", "°C", { clearable: true, placeholder: says("no-mixer") }),
              quantity("relief_kpa", says("relief-valve"), "pressure", "kPa", { scale: 0.001, clearable: true, placeholder: says("none") }),
              flag("relief_outside", says("piped-outside")),
              flag("check_valve", say(says("check-valve-cold-feed"))),
              quantity("expansion_l", says("expansion-vessel"), "volume", "L", {
                note: say(says("heating-pushes-out-ml", { expansion_l: Math.round(1000 * (part.hot?.expansion_l ?? 0)) })),
              }),
              flag("weekly_60", say(says("c-half-hour-each"))),
              flag("dry_lock", says("cant-start-without-water")),
              quantity("pipe_rating_c", says("hot-pipe-made"), "temperature", "°C"),
              flag("leak_tray", says("drained-tray-sensor-under")),
            ]}
            item={h}
            onSet={put}
          />
          <button type="button" className="text-[12px] text-chalk-dim underline" onClick={() => void set("hot", null, says("no-water-heater"))}>
            {says("no-water-heater")}
          </button>
        </>
      ) : (
        <button type="button" className="btn btn-slate my-1" onClick={() => void set("hot", { element_w: 600 }, says("water-heater"))}>
          {says("add-water-heater")}
        </button>
      )}
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("winter")}</h3>
      <Fields specs={[choice("winter", says("frost"), WINTERS)]} item={w} onSet={(key, value, label) => void set(key, value, label)} />
      <p className="my-1 text-[12px] text-chalk-dim">
        {says("drained-down", {
          l_must_come: say(says("l-must-come-out", { drain_down_l: part.drain_down_l })),
          l_pipes_heater: say(says("l-pipes-heater-pump", { pipe_l: part.pipe_l })),
        })}
      </p>
      <p className="mt-3 border-l-2 border-gorse pl-2 text-[12px] text-chalk-dim">{say(CAUTION)}</p>
    </Slate>
  );
}

export function HotView() {
  const say = useSaid();
  const { units } = usePerson();
  const drains = useDrains();
  const { create, held: d } = useMaking(drains, "drain", () => ({ fixture: "sink" }));
  const columns: Column<Drain & { name: string }>[] = [
    nameColumn(drains, says("waste-2"), "30%"),
    {
      key: "fixture",
      label: says("from-the"),
      width: "18%",
      kind: "choice",
      options: FIXTURES,
      show: (x) => wordOf(FIXTURES, x.fixture ?? "sink"),
      value: (x) => x.fixture ?? "sink",
      set: (x, v) => void drains.set(x, { fixture: v as Drain["fixture"] }, says("fixture")),
    },
    { key: "bore", label: says("bore"), width: "14%", align: "right", kind: "computed", show: (x) => show(x.inner_diameter_mm, "mm", units) },
    { key: "length", label: says("length"), width: "12%", align: "right", kind: "computed", show: (x) => show(x.length_m, "m", units) },
    { key: "fall", label: says("fall"), width: "12%", align: "right", kind: "computed", show: (x) => `${(100 * (x.slope_frac ?? 0)).toFixed(1)} %` },
    wordColumn("trap", says("trap-2"), "14%", (x) => (x.trap ? says("yes") : says("none"))),
  ];
  return (
    <Bench
      title={says("water")}
      sentence={<Sentence />}
      picture={<HotPicture />}
      tools={
        <>
          <StageViews stage={says("water")} views={VIEWS} />
          <button type="button" className="btn btn-main" onClick={() => void create()}>
            {says("add-waste-n")}
          </button>
        </>
      }
      ledger={<ItemLedger label={says("wastes")} list={drains} kind="drain" columns={columns} onAdd={create} empty={say(says("no-waste-yet-one"))} />}
      slate={d ? <DrainSlate d={d} /> : <Whole />}
    />
  );
}

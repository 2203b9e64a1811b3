/** Hot water, waste and frost: what the boiler gives, where waste runs, and what freezes on the coldest night. */

import { scaleLog } from "d3-scale";
import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { wordColumn } from "../../parts/columns";
import { choice, count, Fields, flag, mm, quantity, words } from "../../parts/Fields";
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
import { type Drain, useDrains, useWater } from "./edit";
import { Sentence } from "./Sentence";
import { ELEMENT_SUPPLIES, FIXTURES, HEAT_SOURCES, HEATERS, VIEWS, WINTERS, wordOf } from "./words";

const CAUTION =
  "60 °C burns adult skin in 5 s, 70 °C in 1 s, a child’s in half of that: try the mixer with a thermometer. Relief valve outlet outside, never plugged. Gas heaters room-sealed, fitted by the licensed trade; mains by an electrician.";

/** Hours as people say them. */
export function hours(h: number | null | undefined): string {
  if (h == null) return "never";
  return h < 1.5 ? `${Math.round(60 * h)} min` : h < 48 ? `${h.toFixed(h < 10 ? 1 : 0)} h` : `${(h / 24).toFixed(1)} days`;
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
          ? say(`from 10 to ${w.hot?.target_temp_c} °C in ${h.time_min < 90 ? `${h.time_min.toFixed(0)} min` : hours(h.time_min / 60)}`)
          : null,
        h.shower_min != null
          ? say(`${h.shower_min.toFixed(1)} min of shower at 38 °C, ${show(h.mixed_l, "L", units)}`)
          : h.endless
            ? "a shower without end"
            : null,
        h.reachable_c != null ? say(`the shower gets ${Math.min(h.reachable_c, w.hot?.target_temp_c ?? 60).toFixed(0)} °C`) : null,
        h.charge_ah != null ? `${h.charge_ah.toFixed(0)} Ah of the bank for each heating` : null,
        h.standing_w != null ? `${h.standing_w.toFixed(0)} W lost while it stands hot` : null,
        h.burn ? say(`${h.max_c.toFixed(0)} °C burns skin in ${h.burn}`) : null,
      ].filter((t) => t !== null)
    : [];
  return (
    <div ref={box} className="px-2 pt-1">
      <svg
        viewBox={`0 0 ${width} ${H}`}
        className="block w-full"
        role="img"
        aria-label={`${h ? `Hot water: ${lines.join(", ")}` : "No water heater"}; ${frost.length ? frost.map((f) => `${f.name}${say(` at 0 °C after ${hours(f.to_zero_h)}`)}`).join(", ") : "nothing wet outside the warm body"}`}
      >
        <text x="8" y="20" fontSize="12" fontWeight="600" fill="currentColor">
          {w.hot?.name ?? "no water heater"}
        </text>
        {h && (
          <g>
            <rect x="24" y="40" width="74" height="104" rx="10" fill="var(--color-sheet)" stroke="currentColor" strokeWidth="1.8" />
            <rect x="26" y="64" width="70" height="78" rx="8" fill="#a8391f" fillOpacity="0.28" />
            <text x="61" y="100" fontSize="17" textAnchor="middle" className="num" fontWeight="600" fill="currentColor">
              {show(w.hot?.target_temp_c, "°C", units)}
            </text>
            <text x="61" y="120" fontSize="12" textAnchor="middle" className="num" fill="currentColor">
              {w.hot?.kind === "storage" ? show(w.hot?.volume_l, "L", units) : "as it flows"}
            </text>
            {lines.map((t, i) => (
              <text key={t} x="118" y={54 + i * 19} fontSize="12" fill="currentColor">
                {t}
              </text>
            ))}
          </g>
        )}
        <text x={narrow ? 8 : x0 - 110} y={top + 20} fontSize="12" fontWeight="600" fill="currentColor">
          {say(`at ${part.coldest_c.toFixed(0)} °C: time to freezing`)}
        </text>
        {frost.length === 0 && (
          <text x={narrow ? 8 : x0 - 110} y={top + 48} fontSize="12" fill="currentColor">
            {part.coldest_c >= 0 ? "No frost on this plan." : "All wet parts are inside, in the warm."}
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
                {f.held ? "held" : `${hours(f.to_zero_h)}, ice ${hours(f.to_ice_h)}; ${Math.round(f.hold_w)} W hold it`}
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
    <Slate title={d.name} sub={`waste of the ${wordOf(FIXTURES, d.fixture)}`}>
      <FindingList findings={report.findings.filter((f) => f.subject === `drain:${d.id}`)} />
      <p className="my-1 text-[12px] text-chalk-dim">
        {say(
          `${Math.round(1000 * (d.slope_frac ?? 0) * (d.length_m ?? 0))} mm of fall over its length. A support every 0.3 m: a sag is a second trap and an ice plug.`,
        )}
      </p>
      <Fields
        specs={[
          words("name", "name"),
          choice("fixture", "from the", FIXTURES),
          mm("inner_diameter_mm", "bore"),
          quantity("length_m", "length", "length", "m"),
          quantity("slope_frac", "fall", "fraction", "", { note: "2 % is 1 in 50" }),
          flag("trap", "a trap in it"),
          ...(d.fixture === "sink"
            ? [
                mm("front_mm", "worktop left before the sink", { clearable: true, placeholder: "not entered" }),
                mm("behind_mm", "and behind it", { clearable: true, placeholder: "not entered" }),
              ]
            : []),
        ]}
        item={d}
        onSet={(key, value, label) => void set(d, { [key]: value }, label)}
      />
      <TakeOut remove={() => remove(d)}>Remove this waste</TakeOut>
    </Slate>
  );
}

function Whole() {
  const say = useSaid();
  const { report, edit } = useVariant();
  const { w, part, set } = useWater();
  const h = w.hot;
  const put = (key: string, value: unknown, label: string) => void edit([{ op: "replace", path: `/water/hot/${key}`, value }], `hot water: ${label}`);
  const coil = !!h?.source.includes("coil") || (h?.source === "loop" && h.kind === "storage");
  const element = !!h?.source.includes("element");
  return (
    <Slate title="Water" sub="hot, waste, frost">
      <FindingList findings={report.findings.filter((f) => f.stage === "water" && /^(hot|drain|pipe)/.test(f.subject))} />
      <SlateFigs ks={["water/time_min", "water/shower_min", "water/mixed_l", "water/warm_flow_l_min", "water/battery_charge_ah", "water/shower_heat_w"]} />
      {h ? (
        <>
          <Fields
            specs={[
              words("name", "name"),
              choice("kind", "it", HEATERS),
              choice("source", "heated by", HEAT_SOURCES),
              ...(h.kind === "storage"
                ? [quantity("volume_l", "holds", "volume", "L")]
                : [quantity("min_flow_l_min", "starts at", "flow", "L/min", { clearable: true, placeholder: "not entered" })]),
              quantity("target_temp_c", "heats to", "temperature", "°C"),
              ...(["element", "coil", "coil_element", "loop"].includes(h.source) ? [] : [quantity("heat_w", "its burner’s input", "power", "W")]),
              ...(element ? [quantity("element_w", "element", "power", "W"), choice("element_supply", "element fed by", ELEMENT_SUPPLIES)] : []),
              ...(coil
                ? [
                    count("coil_ua_w_k", "coil, W for each kelvin"),
                    quantity("coolant_temp_c", "coolant", "temperature", "°C"),
                    quantity("coolant_flow_l_min", "coolant flow", "flow", "L/min"),
                  ]
                : []),
              count("loss_w_k", "loses, W for each kelvin"),
              quantity("mixer_c", "mixer set to", "temperature", "°C", { clearable: true, placeholder: "no mixer" }),
              quantity("relief_kpa", "relief valve", "pressure", "kPa", { scale: 0.001, clearable: true, placeholder: "none" }),
              flag("relief_outside", "it is piped outside"),
              flag("check_valve", say("a check valve on the cold feed")),
              quantity("expansion_l", "expansion vessel", "volume", "L", {
                note: say(`heating pushes out ${Math.round(1000 * (part.hot?.expansion_l ?? 0))} mL`),
              }),
              flag("weekly_60", say("60 °C for half an hour each week")),
              flag("dry_lock", "it can’t start without water"),
              quantity("pipe_rating_c", "hot pipe made for", "temperature", "°C"),
              flag("leak_tray", "a drained tray or sensor under it"),
            ]}
            item={h}
            onSet={put}
          />
          <button type="button" className="text-[12px] text-chalk-dim underline" onClick={() => void set("hot", null, "no water heater")}>
            no water heater
          </button>
        </>
      ) : (
        <button type="button" className="btn btn-slate my-1" onClick={() => void set("hot", { element_w: 600 }, "a water heater")}>
          Add a water heater
        </button>
      )}
      <h3 className="mb-1 mt-3 font-display text-[14px]">Winter</h3>
      <Fields specs={[choice("winter", "in frost it is", WINTERS)]} item={w} onSet={(key, value, label) => void set(key, value, label)} />
      <p className="my-1 text-[12px] text-chalk-dim">
        Drained down, {say(`${part.drain_down_l.toFixed(0)} L must come out: tanks, `)}
        {say(`${part.pipe_l.toFixed(1)} L in the pipes, the heater, pump and filter bowls.`)}
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
    nameColumn(drains, "waste", "30%"),
    {
      key: "fixture",
      label: "from the",
      width: "18%",
      kind: "choice",
      options: FIXTURES,
      show: (x) => wordOf(FIXTURES, x.fixture ?? "sink"),
      value: (x) => x.fixture ?? "sink",
      set: (x, v) => void drains.set(x, { fixture: v as Drain["fixture"] }, "fixture"),
    },
    { key: "bore", label: "bore", width: "14%", align: "right", kind: "computed", show: (x) => show(x.inner_diameter_mm, "mm", units) },
    { key: "length", label: "length", width: "12%", align: "right", kind: "computed", show: (x) => show(x.length_m, "m", units) },
    { key: "fall", label: "fall", width: "12%", align: "right", kind: "computed", show: (x) => `${(100 * (x.slope_frac ?? 0)).toFixed(1)} %` },
    wordColumn("trap", "trap", "14%", (x) => (x.trap ? "yes" : "none")),
  ];
  return (
    <Bench
      title="Water"
      sentence={<Sentence />}
      picture={<HotPicture />}
      tools={
        <>
          <StageViews stage="Water" views={VIEWS} />
          <button type="button" className="btn btn-main" onClick={() => void create()}>
            Add a waste (n)
          </button>
        </>
      }
      ledger={
        <ItemLedger
          label="Wastes"
          list={drains}
          kind="drain"
          columns={columns}
          onAdd={create}
          empty={say("No waste yet: one from each sink, basin and shower, falling 1 in 50, with a trap.")}
        />
      }
      slate={d ? <DrainSlate d={d} /> : <Whole />}
    />
  );
}

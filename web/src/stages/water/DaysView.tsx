/** Days: use by kind, stores against the days asked for, habits and toilet. */
import { scaleLinear } from "d3-scale";
import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { choice, count, Fields, flag, quantity } from "../../parts/Fields";
import { SlateFigs } from "../../parts/Fig";
import { FindingList } from "../../parts/Findings";
import { type Column, Ledger } from "../../parts/Ledger";
import { Proposals } from "../../parts/Proposals";
import { useWidth } from "../../pictures/useWidth";
import { Bench } from "../../shell/Bench";
import { usePerson, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { StageViews } from "../../shell/ViewSwitch";
import { useWater } from "./edit";
import { Sentence } from "./Sentence";
import { GREY_TO, SHOWERS, SOURCES, STORES, STYLES, TOILETS, USES, VIEWS } from "./words";

const CAUTION =
  "Draining grey water on roads, pitches and into rainwater gullies is prohibited or fined in most places; toilet waste goes to a disposal point only.";

/** Bars of litres a day by use, and of days by store with the days asked for. */
function DaysPicture() {
  const say = useSaid();
  const { part } = useWater();
  const { units } = usePerson();
  const [box, width] = useWidth<HTMLDivElement>();
  const uses = Object.entries(part.use_l_day).filter(([, v]) => v > 0);
  const narrow = width < 620;
  const left = narrow ? 110 : 120;
  const half = narrow ? width : width * 0.44;
  const most = Math.max(1, ...uses.map(([, v]) => v));
  const x = scaleLinear([0, most], [left, Math.max(left + 40, half - 70)]);
  const stores = part.stores;
  const far = Math.max(part.target_days * 1.5, 3 * (part.days ?? 1), 1);
  const x0 = (narrow ? 0 : half) + 130;
  const xd = scaleLinear([0, far], [x0, width - 60]);
  const top = narrow ? 40 + uses.length * 24 + 30 : 0;
  const H = Math.max(narrow ? 0 : 60 + uses.length * 24, top + 70 + stores.length * 30);
  return (
    <div ref={box} className="px-2 pt-1">
      <svg
        viewBox={`0 0 ${width} ${H}`}
        className="block w-full"
        role="img"
        aria-label={`${show(part.total_l_day, "L", units)} a day; ${stores.map((s) => `${say(STORES[s.name] ?? "")} ${s.days == null ? "without end" : `${s.days.toFixed(1)} days`}`).join(", ")}`}
      >
        <text x="8" y="20" fontSize="12" fontWeight="600" fill="currentColor">
          {say("water a day")}
        </text>
        {uses.map(([k, v], i) => (
          <g key={k}>
            <text x={left - 8} y={47 + i * 24} fontSize="11.5" textAnchor="end" fill="currentColor">
              {say(USES[k] ?? k)}
            </text>
            <rect x={left} y={36 + i * 24} width={Math.max(1, x(v) - left)} height="15" fill="var(--color-loch)" fillOpacity="0.55" />
            <text x={x(v) + 5} y={47 + i * 24} fontSize="11" className="num" fill="currentColor">
              {show(v, "L", units)}
            </text>
          </g>
        ))}
        <text x={narrow ? 8 : half + 8} y={top + 20} fontSize="12" fontWeight="600" fill="currentColor">
          days that each store lasts
        </text>
        {stores.map((s, i) => {
          const y = top + 36 + i * 30;
          const ends = s.name === part.limiting;
          return (
            <g key={s.name}>
              <text x={x0 - 8} y={y + 13} fontSize="11.5" textAnchor="end" fill="currentColor" fontWeight={ends ? 700 : 400}>
                {say(STORES[s.name] ?? s.name)}
              </text>
              <rect
                x={x0}
                y={y}
                width={Math.max(2, (s.days == null ? width - 60 : xd(Math.min(far, s.days))) - x0)}
                height="17"
                fill={s.meets_target ? "var(--color-moss)" : "var(--color-rust)"}
                fillOpacity={ends ? 0.75 : 0.45}
                stroke="currentColor"
                strokeWidth={ends ? 1.4 : 0}
                strokeDasharray={["fresh", "drinking"].includes(s.name) ? undefined : "5 3"}
              />
              <text x={(s.days == null ? width - 60 : xd(Math.min(far, s.days))) + 5} y={y + 13} fontSize="11" className="num" fill="currentColor">
                {s.days == null ? "no end" : s.days.toFixed(1)}
              </text>
            </g>
          );
        })}
        {stores.length > 0 && (
          <g>
            <path d={`M${xd(part.target_days)} ${top + 28}V${top + 38 + stores.length * 30}`} stroke="var(--color-gorse)" strokeWidth="2" />
            <text x={xd(part.target_days)} y={top + 52 + stores.length * 30} fontSize="11" textAnchor="middle" fill="var(--color-gorse-ink)">
              {`${part.target_days} asked for`}
            </text>
          </g>
        )}
      </svg>
    </div>
  );
}

type StoreRow = { name: string; days: number | null; usable_l: number; capacity_needed_l: number | null; meets_target: boolean };

function DaysSlate() {
  const say = useSaid();
  const { report, edit } = useVariant();
  const { w, set } = useWater();
  const use = w.use;
  const t = w.toilet;
  const put = (base: string, what: string) => (key: string, value: unknown, label: string) =>
    void edit([{ op: "replace", path: `/water/${base}/${key}`, value }], `${what}: ${label}`);
  const litres = <K extends string>(key: K, label: string, unit = "L") =>
    quantity(key, label, unit === "L/min" ? "flow" : "volume", unit, { clearable: true, placeholder: "as the style has it" });
  return (
    <Slate title="Water" sub="how much, and for how long">
      <FindingList findings={report.findings.filter((f) => f.stage === "water" && ["water", "toilet"].includes(f.subject))} />
      <SlateFigs ks={["water/autonomy_days", "water/total_l_day", "water/fresh_tank_l_day", "water/grey_l_day"]} />
      <h3 className="mb-1 mt-3 font-display text-[14px]">Habits</h3>
      <Fields
        specs={[
          choice("style", "water is used", STYLES),
          quantity("target_days", "it is to last, days", "count", "", { clearable: true, placeholder: say("nights between hook-ups") }),
          choice("drinking_source", "drinking water", SOURCES),
          flag("hot_climate", "in heat: 50 % more to drink"),
          litres("drinking_l_person_day", "drinking, a person"),
          litres("cooking_l_person_day", "cooking, a person"),
          litres("dishes_l_person_day", "dishes, a person"),
          litres("hand_wash_l_person_day", "hands and teeth, a person"),
          choice("shower_type", "the shower", SHOWERS),
          ...(use.shower_type === "none"
            ? []
            : [
                litres("shower_flow_l_min", "shower’s flow", "L/min"),
                quantity("shower_time_min", "minutes running", "count", "", { clearable: true, placeholder: "as the style has it" }),
                quantity("showers_person_week", "showers a person and week", "count", "", { clearable: true, placeholder: "as the style has it" }),
              ]),
          ...(use.shower_type === "recirculating" ? [quantity("shower_charge_l", "one charge", "volume", "L")] : []),
          litres("outside_l_day", "outside, a day"),
        ]}
        item={use}
        onSet={put("use", "use of water")}
      />
      <h3 className="mb-1 mt-3 font-display text-[14px]">{say("Jugs and grey water")}</h3>
      <Fields
        specs={[
          quantity("jug_l", "a jug holds", "volume", "L"),
          count("jug_count", "jugs of fresh water"),
          ...(use.drinking_source === "separate" ? [quantity("drinking_jug_l", "drinking store", "volume", "L")] : []),
          choice("grey_to", say("grey water goes to"), GREY_TO),
          ...(w.grey_to === "container" || w.grey_to === "ground" ? [quantity("container_l", "portable container", "volume", "L")] : []),
        ]}
        item={w}
        onSet={(key, value, label) => void set(key, key === "jug_count" ? Math.max(0, Math.round(Number(value ?? 0))) : value, label)}
      />
      <h3 className="mb-1 mt-3 font-display text-[14px]">Toilet</h3>
      {t ? (
        <>
          <Fields
            specs={[
              choice("kind", "kind", TOILETS),
              quantity("capacity_l", t.kind === "separating" ? "urine container" : "container", "volume", "L"),
              ...(t.kind === "separating" ? [quantity("solids_l", "solids", "volume", "L")] : []),
              count("spare", "more containers"),
              quantity("home_frac", "of its use at home", "fraction", ""),
              flag("roof_vent", "its vent leads through the roof"),
              flag("only_at_points", say("emptied at disposal points only")),
            ]}
            item={t}
            onSet={(key, value, label) => put("toilet", "toilet")(key, key === "spare" ? Math.max(0, Math.round(Number(value ?? 0))) : value, label)}
          />
          <button type="button" className="text-[12px] text-chalk-dim underline" onClick={() => void set("toilet", null, "no toilet")}>
            no toilet
          </button>
        </>
      ) : (
        <button type="button" className="btn btn-slate" onClick={() => void set("toilet", { kind: "cassette" }, "a toilet")}>
          Add a toilet
        </button>
      )}
      <p className="mt-3 border-l-2 border-gorse pl-2 text-[12px] text-chalk-dim">{say(CAUTION)}</p>
    </Slate>
  );
}

export function DaysView() {
  const say = useSaid();
  const { part } = useWater();
  const { units } = usePerson();
  const columns: Column<StoreRow>[] = [
    { key: "name", label: "store", width: "26%", kind: "computed", show: (s) => <span className="font-sans text-peat">{say(STORES[s.name] ?? s.name)}</span> },
    { key: "holds", label: "holds", width: "14%", align: "right", kind: "computed", show: (s) => show(part.capacity_l[s.name], "L", units) },
    { key: "usable", label: "usable", width: "14%", align: "right", kind: "computed", show: (s) => show(s.usable_l, "L", units) },
    { key: "flow", label: "a day", width: "14%", align: "right", kind: "computed", show: (s) => show(part.flow_l_day[s.name], "L", units) },
    { key: "days", label: "days", width: "12%", align: "right", kind: "computed", show: (s) => (s.days == null ? "no end" : s.days.toFixed(1)) },
    {
      key: "need",
      label: `for ${show(part.target_days, "days")}`,
      width: "20%",
      align: "right",
      kind: "computed",
      show: (s) => (s.meets_target ? "enough" : s.capacity_needed_l == null ? "can’t" : show(s.capacity_needed_l, "L", units)),
    },
  ];
  return (
    <Bench
      title="Water"
      sentence={<Sentence />}
      picture={<DaysPicture />}
      tools={<StageViews stage="Water" views={VIEWS} />}
      ledger={
        <>
          <Ledger
            label="Stores"
            rows={part.stores as StoreRow[]}
            columns={columns}
            id={storeId}
            empty={<p className="m-0 max-w-xl text-[15px]">No store yet. Turn to Tanks and add the fresh one; or say on the slate how many jugs you carry.</p>}
          />
          <Proposals groups={["water"]} empty="Nothing to propose: stores, pump and pipes stand, or Daily use is still empty." />
        </>
      }
      slate={<DaysSlate />}
    />
  );
}

const storeId = (s: StoreRow) => s.name;

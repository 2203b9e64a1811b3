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
import { says } from "../../words/water";
import { useWater } from "./edit";
import { Sentence } from "./Sentence";
import { GREY_TO, SHOWERS, SOURCES, STORES, STYLES, TOILETS, USES, VIEWS } from "./words";

const CAUTION = says("draining-grey-water-roads");

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
        aria-label={says("day", {
          total_l_day: show(part.total_l_day, "L", units),
          stores: stores.map((s) => says("without-end-days", { name: say(STORES[s.name] ?? ""), no_days: s.days == null, days: s.days ?? 0 })).join(", "),
        })}
      >
        <text x="8" y="20" fontSize="12" fontWeight="600" fill="currentColor">
          {say(says("water-day"))}
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
          {says("days-each-store-lasts")}
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
                {s.days == null ? says("no-end") : s.days.toFixed(1)}
              </text>
            </g>
          );
        })}
        {stores.length > 0 && (
          <g>
            <path d={`M${xd(part.target_days)} ${top + 28}V${top + 38 + stores.length * 30}`} stroke="var(--color-gorse)" strokeWidth="2" />
            <text x={xd(part.target_days)} y={top + 52 + stores.length * 30} fontSize="11" textAnchor="middle" fill="var(--color-gorse-ink)">
              {says("asked", { target_days: part.target_days })}
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
    quantity(key, label, unit === "L/min" ? "flow" : "volume", unit, { clearable: true, placeholder: says("style-has") });
  return (
    <Slate title={says("water")} sub={says("how-much-how-long")}>
      <FindingList findings={report.findings.filter((f) => f.stage === "water" && ["water", "toilet"].includes(f.subject))} />
      <SlateFigs ks={["water/autonomy_days", "water/total_l_day", "water/fresh_tank_l_day", "water/grey_l_day"]} />
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("habits")}</h3>
      <Fields
        specs={[
          choice("style", says("water-used"), STYLES),
          quantity("target_days", says("last-days"), "count", "", { clearable: true, placeholder: say(says("nights-between-hook-ups")) }),
          choice("drinking_source", says("drinking-water"), SOURCES),
          flag("hot_climate", says("heat-more-drink")),
          litres("drinking_l_person_day", says("drinking-person")),
          litres("cooking_l_person_day", says("cooking-person")),
          litres("dishes_l_person_day", says("dishes-person")),
          litres("hand_wash_l_person_day", says("hands-teeth-person")),
          choice("shower_type", says("shower-3"), SHOWERS),
          ...(use.shower_type === "none"
            ? []
            : [
                litres("shower_flow_l_min", says("showers-flow"), "L/min"),
                quantity("shower_time_min", says("minutes-running"), "count", "", { clearable: true, placeholder: says("style-has") }),
                quantity("showers_person_week", says("showers-person-week"), "count", "", { clearable: true, placeholder: says("style-has") }),
              ]),
          ...(use.shower_type === "recirculating" ? [quantity("shower_charge_l", says("one-charge"), "volume", "L")] : []),
          litres("outside_l_day", says("outside-day")),
        ]}
        item={use}
        onSet={put("use", says("use-water"))}
      />
      <h3 className="mb-1 mt-3 font-display text-[14px]">{say(says("jugs-grey-water"))}</h3>
      <Fields
        specs={[
          quantity("jug_l", says("jug-holds"), "volume", "L"),
          count("jug_count", says("jugs-fresh-water")),
          ...(use.drinking_source === "separate" ? [quantity("drinking_jug_l", says("drinking-store"), "volume", "L")] : []),
          choice("grey_to", say(says("grey-water-goes")), GREY_TO),
          ...(w.grey_to === "container" || w.grey_to === "ground" ? [quantity("container_l", says("portable-container"), "volume", "L")] : []),
        ]}
        item={w}
        onSet={(key, value, label) => void set(key, key === "jug_count" ? Math.max(0, Math.round(Number(value ?? 0))) : value, label)}
      />
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("toilet")}</h3>
      {t ? (
        <>
          <Fields
            specs={[
              choice("kind", says("kind"), TOILETS),
              quantity("capacity_l", t.kind === "separating" ? says("urine-container") : says("container"), "volume", "L"),
              ...(t.kind === "separating" ? [quantity("solids_l", says("solids"), "volume", "L")] : []),
              count("spare", says("more-containers")),
              quantity("home_frac", says("use-home"), "fraction", ""),
              flag("roof_vent", says("vent-leads-through-roof")),
              flag("only_at_points", say(says("emptied-disposal-points-only"))),
            ]}
            item={t}
            onSet={(key, value, label) => put("toilet", says("toilet-2"))(key, key === "spare" ? Math.max(0, Math.round(Number(value ?? 0))) : value, label)}
          />
          <button type="button" className="text-[12px] text-chalk-dim underline" onClick={() => void set("toilet", null, says("no-toilet"))}>
            {says("no-toilet")}
          </button>
        </>
      ) : (
        <button type="button" className="btn btn-slate" onClick={() => void set("toilet", { kind: "cassette" }, says("toilet-3"))}>
          {says("add-toilet")}
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
    {
      key: "name",
      label: says("store"),
      width: "26%",
      kind: "computed",
      show: (s) => <span className="font-sans text-peat">{say(STORES[s.name] ?? s.name)}</span>,
    },
    { key: "holds", label: says("holds"), width: "14%", align: "right", kind: "computed", show: (s) => show(part.capacity_l[s.name], "L", units) },
    { key: "usable", label: says("usable"), width: "14%", align: "right", kind: "computed", show: (s) => show(s.usable_l, "L", units) },
    { key: "flow", label: says("day-2"), width: "14%", align: "right", kind: "computed", show: (s) => show(part.flow_l_day[s.name], "L", units) },
    { key: "days", label: says("days"), width: "12%", align: "right", kind: "computed", show: (s) => (s.days == null ? says("no-end") : s.days.toFixed(1)) },
    {
      key: "need",
      label: says("for", { target_days: show(part.target_days, "days") }),
      width: "20%",
      align: "right",
      kind: "computed",
      show: (s) => (s.meets_target ? says("enough") : s.capacity_needed_l == null ? says("cant") : show(s.capacity_needed_l, "L", units)),
    },
  ];
  return (
    <Bench
      title={says("water")}
      sentence={<Sentence />}
      picture={<DaysPicture />}
      tools={<StageViews stage={says("water")} views={VIEWS} />}
      ledger={
        <>
          <Ledger
            label={says("stores")}
            rows={part.stores as StoreRow[]}
            columns={columns}
            id={storeId}
            empty={<p className="m-0 max-w-xl text-[15px]">{says("no-store-yet-turn")}</p>}
          />
          <Proposals groups={["water"]} empty={says("nothing-propose-stores-pump")} />
        </>
      }
      slate={<DaysSlate />}
    />
  );
}

const storeId = (s: StoreRow) => s.name;

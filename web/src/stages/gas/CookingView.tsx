/** Ways to cook: the same meals by gas, alcohol, diesel and electricity, side by side. */

import type { Schemas } from "../../data/client";
import { HEAT_W, show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { choice, Fields, flag, quantity } from "../../parts/Fields";
import { FindingList } from "../../parts/Findings";
import { type Column, Ledger } from "../../parts/Ledger";
import { useWidth } from "../../pictures/useWidth";
import { Bench } from "../../shell/Bench";
import { usePerson, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { StageViews } from "../../shell/ViewSwitch";
import { says } from "../../words/gas";
import { useGas } from "./edit";
import { Sentence } from "./Sentence";
import { COOKING, METHODS, SCHOOL_OF, VIEWS } from "./words";

type Method = Schemas["MethodOut"];
const CAUTION = says("alcohol-stove-filled-outside");

/** Four small columns of bars: minutes, fuel a day, charge a day, water into the room a day. */
function CookingPicture() {
  const say = useSaid();
  const { g, part } = useGas();
  const [box, width] = useWidth<HTMLDivElement>();
  const rows = part.cooking;
  const meals = g.meal?.meals_day ?? 2;
  const { units } = usePerson();
  const grams = (x: number) => show(Math.round(x), "g", units);
  const narrow = width < 620;
  const left = narrow ? 96 : 150;
  const cols: { word: string; of: (m: Method) => number; text: (v: number) => string; fill: string }[] = [
    { word: says("minutes-meal"), of: (m) => m.time_min, text: (v) => v.toFixed(0), fill: "var(--color-peat)" },
    { word: says("fuel-day"), of: (m) => m.fuel_g_day ?? 0, text: (v) => (v > 0 ? grams(v) : says("none")), fill: "var(--color-gorse)" },
    { word: says("bank-day-ah"), of: (m) => m.battery_charge_ah_day ?? 0, text: (v) => (v > 0 ? v.toFixed(0) : says("none")), fill: "var(--color-loch)" },
    ...(narrow
      ? []
      : [
          {
            word: says("water-into-air-day"),
            of: (m: Method) => m.water_vapour_g * meals,
            text: (v: number) => (v > 0 ? grams(v) : says("none")),
            fill: "var(--color-heather)",
          },
        ]),
  ];
  const w = (width - left - 8) / cols.length;
  return (
    <div ref={box} className="px-2 pt-1">
      <svg
        viewBox={`0 0 ${width} ${44 + rows.length * 26}`}
        className="block w-full"
        role="img"
        aria-label={rows
          .map((m) =>
            says("minutes-g-ah-day", {
              method: say(METHODS[m.method] ?? ""),
              time_min: m.time_min,
              has_fuel_g_day: m.fuel_g_day != null,
              fuel: grams(m.fuel_g_day ?? 0),
              battery_charge_ah_day: m.battery_charge_ah_day ?? 0,
            }),
          )
          .join("; ")}
      >
        {cols.map((c, k) => (
          <text key={c.word} x={left + k * w} y="20" fontSize={narrow ? 10 : 12} fontWeight="600" fill="currentColor">
            {c.word}
          </text>
        ))}
        {rows.map((m, i) => {
          const y = 32 + i * 26;
          const school = SCHOOL_OF[m.method];
          const mine = school != null && (g.cooking === school || (g.cooking === "gas_induction" && ["gas", "induction"].includes(school)));
          return (
            <g key={m.method}>
              {mine && <rect x="2" y={y - 4} width={width - 4} height="24" fill="none" stroke="var(--color-gorse)" strokeWidth="1.6" />}
              <text x={left - 8} y={y + 12} fontSize={narrow ? 10.5 : 11.5} textAnchor="end" fill="currentColor" fontWeight={mine ? 700 : 400}>
                {say((narrow ? METHODS[m.method]?.split(",")[0] : METHODS[m.method]) ?? "")}
              </text>
              {cols.map((c, k) => {
                const most = Math.max(1e-9, ...rows.map(c.of));
                const v = c.of(m);
                const long = (v / most) * (w - 44);
                return (
                  <g key={c.word}>
                    <rect x={left + k * w} y={y + 2} width={Math.max(v > 0 ? 1.5 : 0, long)} height="13" fill={c.fill} fillOpacity="0.5" />
                    <text x={left + k * w + long + 4} y={y + 13} fontSize="11" className="num" fill="currentColor">
                      {c.text(v)}
                    </text>
                  </g>
                );
              })}
            </g>
          );
        })}
      </svg>
    </div>
  );
}

function Whole() {
  const say = useSaid();
  const { report } = useVariant();
  const { g, part, set, put } = useGas();
  const m = part.cooking.find((x) => x.method === "induction");
  return (
    <Slate title={says("gas")} sub={says("cooking-without")}>
      <FindingList findings={report.findings.filter((f) => f.stage === "gas" && f.subject === "cooking")} />
      <Fields
        specs={[
          choice("cooking", says("cooking"), COOKING, { none: says("not-decided") }),
          ...(g.cooking === "alcohol" ? [flag("alcohol_cold_outside", says("canister-filled-outside-cold"))] : []),
        ]}
        item={g}
        onSet={(key, value, label) => void set(key, value, label)}
      />
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("usual-meal")}</h3>
      <Fields
        specs={[
          quantity("boil_l", says("water-brought-boil"), "volume", "L"),
          quantity("simmer_min", says("then-simmering-minutes"), "count", ""),
          quantity("simmer_w", says("heat-into-pot-then"), "power", HEAT_W),
          quantity("meals_day", says("meals-day"), "count", ""),
        ]}
        item={g.meal ?? {}}
        onSet={put("meal", says("usual-meal-2"))}
      />
      <p className="my-1 text-[12px] text-chalk-dim">{says("wh-heat-go-into", { useful_wh: Math.round(part.useful_wh) })}</p>
      {m && (
        <p className="my-1 text-[12px] text-chalk-dim">
          {says("induction-asks-w-bank", { battery_power_w: Math.round(m.battery_power_w ?? 0), battery_charge_ah_day: m.battery_charge_ah_day ?? 0 })}
        </p>
      )}
      <p className="my-1 text-[12px] text-chalk-dim">{says("no-gas-means-no")}</p>
      <p className="mt-3 border-l-2 border-gorse pl-2 text-[12px] text-chalk-dim">{say(CAUTION)}</p>
    </Slate>
  );
}

export function CookingView() {
  const say = useSaid();
  const { part } = useGas();
  const { units } = usePerson();
  const columns: Column<Method>[] = [
    {
      key: "method",
      label: says("way"),
      width: "24%",
      kind: "computed",
      show: (m) => <span className="font-sans text-peat">{say(METHODS[m.method] ?? "")}</span>,
    },
    { key: "input", label: says("energy-meal"), width: "15%", align: "right", kind: "computed", show: (m) => show(m.input_wh, "Wh", units) },
    { key: "time", label: says("minutes"), width: "11%", align: "right", kind: "computed", show: (m) => m.time_min.toFixed(0) },
    {
      key: "fuel",
      label: says("fuel-day"),
      width: "16%",
      align: "right",
      kind: "computed",
      show: (m) => (m.fuel_g_day == null ? "" : show(m.fuel_g_day, "g", units)),
    },
    {
      key: "ah",
      label: says("charge-day"),
      width: "16%",
      align: "right",
      kind: "computed",
      show: (m) => (m.battery_charge_ah_day == null ? "" : show(m.battery_charge_ah_day, "Ah", units)),
    },
    {
      key: "w",
      label: says("bank-once"),
      width: "16%",
      align: "right",
      kind: "computed",
      show: (m) => (m.battery_power_w == null ? "" : show(m.battery_power_w, "W", units)),
    },
  ];
  return (
    <Bench
      title={says("gas")}
      sentence={<Sentence />}
      picture={<CookingPicture />}
      tools={<StageViews stage={says("gas")} views={VIEWS} />}
      ledger={<Ledger label={says("ways-cook")} rows={part.cooking} columns={columns} id={rowId} empty={<p className="m-0">{says("nothing-compare")}</p>} />}
      slate={<Whole />}
    />
  );
}

const rowId = (m: Method) => m.method;

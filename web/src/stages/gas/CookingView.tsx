/** Ways to cook: the same meals by gas, alcohol, diesel and electricity, side by side. */

import type { Schemas } from "../../data/client";
import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { choice, Fields, flag, quantity } from "../../parts/Fields";
import { FindingList } from "../../parts/Findings";
import { type Column, Ledger } from "../../parts/Ledger";
import { useWidth } from "../../pictures/useWidth";
import { Bench } from "../../shell/Bench";
import { usePerson, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { StageViews } from "../../shell/ViewSwitch";
import { useGas } from "./edit";
import { Sentence } from "./Sentence";
import { COOKING, METHODS, SCHOOL_OF, VIEWS } from "./words";

type Method = Schemas["MethodOut"];
const CAUTION =
  "An alcohol stove is filled outside and cold. Every flame needs a carbon monoxide alarm and fixed vents. Induction takes its full power at once: see inverter and bank in Power.";

/** Four small columns of bars: minutes, fuel a day, charge a day, water into the room a day. */
function CookingPicture() {
  const say = useSaid();
  const { g, part } = useGas();
  const [box, width] = useWidth<HTMLDivElement>();
  const rows = part.cooking;
  const meals = g.meal?.meals_day ?? 2;
  const narrow = width < 620;
  const left = narrow ? 96 : 150;
  const cols: { word: string; of: (m: Method) => number; text: (v: number) => string; fill: string }[] = [
    { word: "minutes a meal", of: (m) => m.time_min, text: (v) => v.toFixed(0), fill: "var(--color-peat)" },
    { word: "fuel a day, g", of: (m) => m.fuel_g_day ?? 0, text: (v) => (v > 0 ? v.toFixed(0) : "none"), fill: "var(--color-gorse)" },
    { word: "from the bank a day, Ah", of: (m) => m.battery_charge_ah_day ?? 0, text: (v) => (v > 0 ? v.toFixed(0) : "none"), fill: "var(--color-loch)" },
    ...(narrow
      ? []
      : [
          {
            word: "water into the air a day, g",
            of: (m: Method) => m.water_vapour_g * meals,
            text: (v: number) => (v > 0 ? v.toFixed(0) : "none"),
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
          .map(
            (m) =>
              `${say(METHODS[m.method] ?? "")}: ${m.time_min.toFixed(0)} minutes, ${m.fuel_g_day != null ? `${m.fuel_g_day.toFixed(0)} g` : `${(m.battery_charge_ah_day ?? 0).toFixed(0)} Ah`} a day`,
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
    <Slate title="Gas" sub="or cooking without it">
      <FindingList findings={report.findings.filter((f) => f.stage === "gas" && f.subject === "cooking")} />
      <Fields
        specs={[
          choice("cooking", "cooking is", COOKING, { none: "not decided" }),
          ...(g.cooking === "alcohol" ? [flag("alcohol_cold_outside", "its canister is filled outside and cold")] : []),
        ]}
        item={g}
        onSet={(key, value, label) => void set(key, value, label)}
      />
      <h3 className="mb-1 mt-3 font-display text-[14px]">A usual meal</h3>
      <Fields
        specs={[
          quantity("boil_l", "water brought to the boil", "volume", "L"),
          quantity("simmer_min", "then simmering, minutes", "count", ""),
          quantity("simmer_w", "heat into the pot then", "power", "W"),
          quantity("meals_day", "meals a day", "count", ""),
        ]}
        item={g.meal ?? {}}
        onSet={put("meal", "a usual meal")}
      />
      <p className="my-1 text-[12px] text-chalk-dim">{Math.round(part.useful_wh)} Wh of heat go into the pot.</p>
      {m && (
        <p className="my-1 text-[12px] text-chalk-dim">
          Induction asks {Math.round(m.battery_power_w ?? 0)} W of the bank at once, and {(m.battery_charge_ah_day ?? 0).toFixed(0)} Ah a day.
        </p>
      )}
      <p className="my-1 text-[12px] text-chalk-dim">
        No gas means no locker, no drop vents, no certificate, and no yearly test; it means a larger bank, or another fuel. Efficiencies are usual ones.
      </p>
      <p className="mt-3 border-l-2 border-gorse pl-2 text-[12px] text-chalk-dim">{say(CAUTION)}</p>
    </Slate>
  );
}

export function CookingView() {
  const say = useSaid();
  const { part } = useGas();
  const { units } = usePerson();
  const columns: Column<Method>[] = [
    { key: "method", label: "way", width: "24%", kind: "computed", show: (m) => <span className="font-sans text-peat">{say(METHODS[m.method] ?? "")}</span> },
    { key: "input", label: "energy a meal", width: "15%", align: "right", kind: "computed", show: (m) => show(m.input_wh, "Wh", units) },
    { key: "time", label: "minutes", width: "11%", align: "right", kind: "computed", show: (m) => m.time_min.toFixed(0) },
    {
      key: "fuel",
      label: "fuel a day",
      width: "16%",
      align: "right",
      kind: "computed",
      show: (m) => (m.fuel_g_day == null ? "" : `${m.fuel_g_day.toFixed(0)} g`),
    },
    {
      key: "ah",
      label: "charge a day",
      width: "16%",
      align: "right",
      kind: "computed",
      show: (m) => (m.battery_charge_ah_day == null ? "" : show(m.battery_charge_ah_day, "Ah", units)),
    },
    {
      key: "w",
      label: "bank at once",
      width: "16%",
      align: "right",
      kind: "computed",
      show: (m) => (m.battery_power_w == null ? "" : show(m.battery_power_w, "W", units)),
    },
  ];
  return (
    <Bench
      title="Gas"
      sentence={<Sentence />}
      picture={<CookingPicture />}
      tools={<StageViews stage="Gas" views={VIEWS} />}
      ledger={<Ledger label="Ways to cook" rows={part.cooking} columns={columns} id={rowId} empty={<p className="m-0">Nothing to compare.</p>} />}
      slate={<Whole />}
    />
  );
}

const rowId = (m: Method) => m.method;

/** Care and tests: the dose, the pressure tests as records, the shower's list, the sheets for paper. */

import { Link } from "react-router";
import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { BeingBuilt } from "../../parts/BeingBuilt";
import { dateColumn, wordColumn } from "../../parts/columns";
import { choice, Fields, flag, quantity, words } from "../../parts/Fields";
import { SlateFigs } from "../../parts/Fig";
import { FindingList } from "../../parts/Findings";
import { ItemLedger, nameColumn, useMaking } from "../../parts/ItemLedger";
import type { Column } from "../../parts/Ledger";
import { TakeOut } from "../../parts/TakeOut";
import { Bench } from "../../shell/Bench";
import { usePerson, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { StageViews } from "../../shell/ViewSwitch";
import { says } from "../../words/water";
import { type HoldTest, useTests, useWater } from "./edit";
import { Sentence } from "./Sentence";
import { MEDIA, PIPES, PRODUCTS, REASONS, SHOWER_LIST, VERDICT, VIEWS, wordOf } from "./words";

const CAUTION = says("gloves-eye-protection-fresh");

/** The dose in words beside its steps, and what is still open of the shower. */
function CarePicture() {
  const say = useSaid();
  const { w, part } = useWater();
  const { units } = usePerson();
  const s = part.sanitise;
  const done = w.shower_done ?? [];
  const { set } = useWater();
  const shower = (w.runs ?? []).some((r) => r.outlet === "shower" && r.place !== "outside");
  return (
    <div className="grid gap-4 p-3 md:grid-cols-2">
      <div className="md:col-span-2 empty:hidden">
        <BeingBuilt />
      </div>
      <section aria-label={say(says("sanitising"))}>
        <h2 className="m-0 mb-1 font-display text-[15px]">{say(says("sanitising"))}</h2>
        {s ? (
          <ol className="m-0 list-decimal pl-5 text-[13px] [&>li]:py-0.5">
            <li>{says("carbon-uv-passed-tank", { system_l: show(s.system_l, "L", units) })}</li>
            <li>
              <strong className="num">
                {s.dose.toFixed(s.unit === "tablets" ? 0 : s.dose < 20 ? 1 : 0)} {s.unit}
              </strong>{" "}
              {say(says("product-into-tank-every"))}
            </li>
            <li>
              {says("let-stand")} <strong className="num">{s.contact_min.toFixed(0)} min</strong>.
            </li>
            <li>
              {says("drain-then-rinse")} <strong className="num">{s.rinses}</strong> {says("times-water-into-foul", { rinse_l: show(s.rinse_l, "L", units) })}
            </li>
          </ol>
        ) : (
          <p className="m-0 text-[13px]">{say(says("no-fresh-tank-yet"))}</p>
        )}
      </section>
      <section aria-label={says("shower")}>
        <h2 className="m-0 mb-1 font-display text-[15px]">{says("shower-before-used")}</h2>
        {shower ? (
          <ul className="m-0 list-none p-0 text-[13px]">
            {SHOWER_LIST.map((item) => (
              <li key={item.value}>
                <label className="flex items-start gap-2">
                  <input
                    type="checkbox"
                    className="mt-1"
                    checked={done.includes(item.value as never)}
                    onChange={(e) =>
                      void set(
                        "shower_done",
                        e.target.checked ? [...done, item.value] : done.filter((x) => x !== item.value),
                        says("shower-2", { item: item.word }),
                      )
                    }
                  />
                  {item.word}
                </label>
              </li>
            ))}
          </ul>
        ) : (
          <p className="m-0 text-[13px]">{says("no-shower-inside")}</p>
        )}
      </section>
    </div>
  );
}

function TestSlate({ t }: { t: HoldTest & { name: string } }) {
  const say = useSaid();
  const { report } = useVariant();
  const { set, remove } = useTests();
  const r = report.water.tests.find((x) => x.id === t.id);
  const kpa = <K extends string>(key: K, label: string) => quantity(key, label, "pressure", "kPa", { scale: 0.001 });
  return (
    <Slate title={t.name} sub={r ? VERDICT[r.verdict] : ""}>
      <FindingList findings={report.findings.filter((f) => f.subject === `test:${t.id}`)} />
      {r && (
        <p className={`my-1 text-[12px] ${r.verdict === "fail" ? "text-[#f3b3a4]" : ""}`}>
          {says("fell", {
            kpa_warmth_taken: say(says("kpa-warmth-taken-out", { corrected_drop_kpa: r.corrected_drop_kpa })),
            kpa_allowed: say(says("kpa-allowed", { allowed_drop_kpa: r.allowed_drop_kpa })),
            leak_ml_h: (r.leak_ml_h != null && say(says("ml-hour", { leak_ml_h: r.leak_ml_h }))) || "",
            reasons: r.reasons.map((x) => REASONS[x] ?? x).join(", "),
          })}
        </p>
      )}
      <Fields
        specs={[
          words("name", says("name")),
          words("on", says("date")),
          words("who", says("by")),
          choice("medium", says("with"), MEDIA),
          kpa("start_kpa", says("pressure-start")),
          kpa("end_kpa", says("pressure-end")),
          quantity("duration_min", says("minutes"), "count", ""),
          quantity("start_temp_c", says("temperature-start"), "temperature", "°C"),
          quantity("end_temp_c", says("end"), "temperature", "°C", { clearable: true, placeholder: says("same") }),
          choice("pipe_type", says("pipe"), PIPES),
          quantity("gas_volume_l", t.medium === "air" ? says("volume-under-test") : says("air"), "volume", "L", {
            clearable: t.medium !== "air",
            placeholder: says("not-entered"),
          }),
        ]}
        item={t}
        onSet={(key, value, label) =>
          void set(t, { [key]: value, ...(key === "medium" && value === "air" && !t.gas_volume_l ? { gas_volume_l: 1 } : {}) }, label)
        }
      />
      <TakeOut remove={() => remove(t)}>{says("remove-record")}</TakeOut>
    </Slate>
  );
}

function Whole() {
  const say = useSaid();
  const { report, edit } = useVariant();
  const { w, set } = useWater();
  const c = w.care;
  return (
    <Slate title={says("water")} sub={says("care-tests")}>
      <FindingList findings={report.findings.filter((f) => f.stage === "water" && /^(care|test|tests|shower)/.test(f.subject))} />
      <SlateFigs ks={["water/dose", "water/contact_time_min"]} />
      <h3 className="mb-1 mt-3 font-display text-[14px]">{say(says("sanitising"))}</h3>
      <Fields
        specs={[
          choice("product", says("product"), PRODUCTS),
          ...(c.product === "tablet"
            ? [quantity("tablet_mg", says("chlorine-tablet-mg"), "count", "")]
            : [quantity("strength_frac", says("strength-chlorine-mass"), "fraction", "", { note: says("household-bleach") })]),
          quantity("remaining_frac", says("strength-left"), "fraction", "", { note: says("bleach-loses-fifth-year") }),
          quantity("target_mg_l", says("target-mg-l"), "count", ""),
          quantity("ct_mg_min_l", says("dose-time-mg-min"), "count", "", { clearable: true, placeholder: says("regions") }),
          quantity("days_ago", says("last-done-days-ago"), "count", "", { clearable: true, placeholder: says("not-entered") }),
          quantity("standing_days", says("water-standing-days"), "count", ""),
          flag("with_acid", says("acid-descaler-same-time")),
        ]}
        item={c}
        onSet={(key, value, label) => void edit([{ op: "replace", path: `/water/care/${key}`, value }], says("sanitising-2", { label }))}
      />
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("before-walls-closed")}</h3>
      <Fields specs={[flag("walls_closed", says("walls-closed-over-pipes"))]} item={w} onSet={(key, value, label) => void set(key, value, label)} />
      <p className="my-1 text-[12px] text-chalk-dim">{says("pump-up-one-half")}</p>
      <p className="mt-3 border-l-2 border-gorse pl-2 text-[12px] text-chalk-dim">{say(CAUTION)}</p>
    </Slate>
  );
}

export function CareView() {
  const say = useSaid();
  const { id, report } = useVariant();
  const tests = useTests();
  const start = report.water.hold_start_kpa;
  const { create, held: t } = useMaking(tests, "test", () => ({ start_kpa: start, end_kpa: start, duration_min: 60 }));
  const of = (x: HoldTest) => report.water.tests.find((r) => r.id === x.id);
  const columns: Column<HoldTest & { name: string }>[] = [
    nameColumn(tests, says("pressure-test"), "30%"),
    dateColumn(tests, "14%"),
    wordColumn("medium", says("with"), "12%", (x) => wordOf(MEDIA, x.medium).split(",")[0]!),
    { key: "start", label: says("start"), width: "12%", align: "right", kind: "computed", show: (x) => say(`${x.start_kpa} kPa`) },
    { key: "end", label: says("end-2"), width: "12%", align: "right", kind: "computed", show: (x) => say(`${x.end_kpa} kPa`) },
    wordColumn("verdict", says("verdict"), "20%", (x) => VERDICT[of(x)?.verdict ?? ""] ?? ""),
  ];
  return (
    <Bench
      title={says("water")}
      sentence={<Sentence />}
      picture={<CarePicture />}
      tools={
        <>
          <StageViews stage={says("water")} views={VIEWS} />
          <button type="button" className="btn btn-main" onClick={() => void create()}>
            {says("add-pressure-test-n")}
          </button>
          <Link className="btn" to={`/v/${id}/print/water`}>
            {says("water-sheets-paper")}
          </Link>
        </>
      }
      ledger={<ItemLedger label={says("pressure-tests")} list={tests} kind="test" columns={columns} onAdd={create} records empty={says("no-test-yet-done")} />}
      slate={t ? <TestSlate t={t} /> : <Whole />}
    />
  );
}

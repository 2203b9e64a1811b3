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
import { type HoldTest, useTests, useWater } from "./edit";
import { Sentence } from "./Sentence";
import { MEDIA, PIPES, PRODUCTS, REASONS, SHOWER_LIST, VERDICT, VIEWS, wordOf } from "./words";

const CAUTION =
  "Gloves, eye protection, fresh air; never chlorine with acid or descaler; taps tagged “do not drink” until rinsed; by-pass carbon and UV. Test with air only up to 50 kPa, nobody over the joints.";

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
      <section aria-label="Sanitising">
        <h2 className="m-0 mb-1 font-display text-[15px]">Sanitising</h2>
        {s ? (
          <ol className="m-0 list-decimal pl-5 text-[13px] [&>li]:py-0.5">
            <li>Carbon and UV by-passed; tank full: {show(s.system_l, "L", units)} with pipes and heater.</li>
            <li>
              <strong className="num">
                {s.dose.toFixed(s.unit === "tablets" ? 0 : s.dose < 20 ? 1 : 0)} {s.unit}
              </strong>{" "}
              {say("of the product into the tank; every tap until it smells of it.")}
            </li>
            <li>
              Let it stand <strong className="num">{s.contact_min.toFixed(0)} min</strong>.
            </li>
            <li>
              Drain, then rinse <strong className="num">{s.rinses}</strong> times: {show(s.rinse_l, "L", units)} of water, into a foul drain.
            </li>
          </ol>
        ) : (
          <p className="m-0 text-[13px]">No fresh tank yet, so there is nothing to sanitise.</p>
        )}
      </section>
      <section aria-label="Shower">
        <h2 className="m-0 mb-1 font-display text-[15px]">The shower, before it is used</h2>
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
                      void set("shower_done", e.target.checked ? [...done, item.value] : done.filter((x) => x !== item.value), `shower: ${item.word}`)
                    }
                  />
                  {item.word}
                </label>
              </li>
            ))}
          </ul>
        ) : (
          <p className="m-0 text-[13px]">No shower inside.</p>
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
          Fell by {say(`${r.corrected_drop_kpa.toFixed(1)} kPa, warmth taken out; `)}
          {say(`${r.allowed_drop_kpa.toFixed(1)} kPa are allowed`)}
          {r.leak_ml_h != null && say(`; ${r.leak_ml_h.toFixed(0)} mL an hour`)}. {r.reasons.map((x) => REASONS[x] ?? x).join(", ")}
        </p>
      )}
      <Fields
        specs={[
          words("name", "name"),
          words("on", "date"),
          words("who", "by"),
          choice("medium", "with", MEDIA),
          kpa("start_kpa", "pressure at the start"),
          kpa("end_kpa", "pressure at the end"),
          quantity("duration_min", "minutes", "count", ""),
          quantity("start_temp_c", "temperature at the start", "temperature", "°C"),
          quantity("end_temp_c", "at the end", "temperature", "°C", { clearable: true, placeholder: "the same" }),
          choice("pipe_type", "pipe", PIPES),
          quantity("gas_volume_l", t.medium === "air" ? "volume under test" : "air in it", "volume", "L", {
            clearable: t.medium !== "air",
            placeholder: "not entered",
          }),
        ]}
        item={t}
        onSet={(key, value, label) =>
          void set(t, { [key]: value, ...(key === "medium" && value === "air" && !t.gas_volume_l ? { gas_volume_l: 1 } : {}) }, label)
        }
      />
      <TakeOut remove={() => remove(t)}>Remove this record</TakeOut>
    </Slate>
  );
}

function Whole() {
  const say = useSaid();
  const { report, edit } = useVariant();
  const { w, set } = useWater();
  const c = w.care;
  return (
    <Slate title="Water" sub="care and tests">
      <FindingList findings={report.findings.filter((f) => f.stage === "water" && /^(care|test|tests|shower)/.test(f.subject))} />
      <SlateFigs ks={["water/dose", "water/contact_time_min"]} />
      <h3 className="mb-1 mt-3 font-display text-[14px]">Sanitising</h3>
      <Fields
        specs={[
          choice("product", "product", PRODUCTS),
          ...(c.product === "tablet"
            ? [quantity("tablet_mg", "chlorine in a tablet, mg", "count", "")]
            : [quantity("strength_frac", "strength, chlorine by mass", "fraction", "", { note: "household bleach 3 to 6 %" })]),
          quantity("remaining_frac", "of its strength left", "fraction", "", { note: "bleach loses a fifth a year" }),
          quantity("target_mg_l", "target, mg/L", "count", ""),
          quantity("ct_mg_min_l", "dose · time, mg·min/L", "count", "", { clearable: true, placeholder: "the region’s" }),
          quantity("days_ago", "last done, days ago", "count", "", { clearable: true, placeholder: "not entered" }),
          quantity("standing_days", "water standing, days", "count", ""),
          flag("with_acid", "acid or descaler at the same time"),
        ]}
        item={c}
        onSet={(key, value, label) => void edit([{ op: "replace", path: `/water/care/${key}`, value }], `sanitising: ${label}`)}
      />
      <h3 className="mb-1 mt-3 font-display text-[14px]">Before walls are closed</h3>
      <Fields
        specs={[flag("walls_closed", "walls are closed over the pipes, or soon will be")]}
        item={w}
        onSet={(key, value, label) => void set(key, value, label)}
      />
      <p className="my-1 text-[12px] text-chalk-dim">
        Pump up to one and a half times the cut-out, heater and accumulator isolated if rated lower; wait 10 min, pump up again, start. Plastic: pump up twice.
      </p>
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
    nameColumn(tests, "pressure test", "30%"),
    dateColumn(tests, "14%"),
    wordColumn("medium", "with", "12%", (x) => wordOf(MEDIA, x.medium).split(",")[0]!),
    { key: "start", label: "start", width: "12%", align: "right", kind: "computed", show: (x) => say(`${x.start_kpa} kPa`) },
    { key: "end", label: "end", width: "12%", align: "right", kind: "computed", show: (x) => say(`${x.end_kpa} kPa`) },
    wordColumn("verdict", "verdict", "20%", (x) => VERDICT[of(x)?.verdict ?? ""] ?? ""),
  ];
  return (
    <Bench
      title="Water"
      sentence={<Sentence />}
      picture={<CarePicture />}
      tools={
        <>
          <StageViews stage="Water" views={VIEWS} />
          <button type="button" className="btn btn-main" onClick={() => void create()}>
            Add a pressure test (n)
          </button>
          <Link className="btn" to={`/v/${id}/print/water`}>
            Water sheets for paper
          </Link>
        </>
      }
      ledger={
        <ItemLedger
          label="Pressure tests"
          list={tests}
          kind="test"
          columns={columns}
          onAdd={create}
          records
          empty={"No test yet. It is done before any wall is closed over a pipe."}
        />
      }
      slate={t ? <TestSlate t={t} /> : <Whole />}
    />
  );
}

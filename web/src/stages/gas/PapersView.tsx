/** Tests and papers: who installs, the certificate, leak tests and readings as records, and the look before a trip. */

import { useCallback } from "react";
import { Link } from "react-router";
import { freshId } from "../../data/patch";
import { useVariant } from "../../data/variant";
import { BeingBuilt } from "../../parts/BeingBuilt";
import { dateColumn, wordColumn } from "../../parts/columns";
import { choice, Fields, flag, quantity, words } from "../../parts/Fields";
import { FindingList } from "../../parts/Findings";
import { ItemLedger, nameColumn } from "../../parts/ItemLedger";
import type { Column } from "../../parts/Ledger";
import { TakeOut } from "../../parts/TakeOut";
import { Bench } from "../../shell/Bench";
import { useCall } from "../../shell/call";
import { useHand } from "../../shell/hand";
import { useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { StageViews } from "../../shell/ViewSwitch";
import { says } from "../../words/gas";
import { type GasCheck, type GasTest, useGas, useTests } from "./edit";
import { Sentence } from "./Sentence";
import { CHECKS, dropWord, INSTALLERS, limitWord, PRE_TRIP, REASONS, TEST_GAS, VERDICT, VIEWS, wordOf } from "./words";

const CAUTION = says("air-not-oxygen-other");
const mbar = <K extends string>(key: K, label: string, more: object = {}) => quantity(key, label, "pressure", "mbar", { scale: 0.01, ...more });

/** The papers on the left, the look before a trip on the right. */
function PapersPicture() {
  const say = useSaid();
  const { g, part } = useGas();
  const { design, edit } = useVariant();
  const done = design.facts?.pre_trip ?? [];
  const c = g.certificate;
  const last = part.tests.filter((t) => t.verdict === "pass" && t.changed.length === 0).at(-1);
  return (
    <div className="grid gap-4 p-3 text-[13px] md:grid-cols-2">
      <div className="md:col-span-2 empty:hidden">
        <BeingBuilt />
      </div>
      <section aria-label={says("papers")}>
        <h2 className="m-0 mb-1 font-display text-[15px]">{says("papers")}</h2>
        <dl className="m-0 grid grid-cols-[auto_1fr] gap-x-3 gap-y-1 [&>dd]:m-0 [&>dt]:text-dim">
          <dt>{says("may-install")}</dt>
          <dd>{say(part.law.installs)}</dd>
          <dt>{says("paper")}</dt>
          <dd>{say(part.law.paper)}</dd>
          <dt>{says("afterwards")}</dt>
          <dd>{say(part.law.afterwards)}</dd>
          <dt>{says("certificate")}</dt>
          <dd className={!c || c.months_ago > part.law.months ? "text-rust" : ""}>
            {c ? says("months-old", { name: c.name, months_ago: c.months_ago, has_who: Boolean(c.who), who: c.who }) : says("none-yet")}
          </dd>
          <dt>{says("leak-test")}</dt>
          <dd className={last ? "" : "text-rust"}>
            {last ? says("holds-nothing-was-changed", { last: last.name, on: last.on || says("no-date") }) : says("none-counts-what-there")}
          </dd>
        </dl>
        <p className="mb-0 text-[12px] text-dim">{says("usual-region-ask-what")}</p>
      </section>
      <section aria-label={says("before-trip")}>
        <h2 className="m-0 mb-1 font-display text-[15px]">{says("before-trip")}</h2>
        <ul className="m-0 list-none p-0">
          {PRE_TRIP.map((item) => (
            <li key={item.value}>
              <label className="flex items-start gap-2">
                <input
                  type="checkbox"
                  className="mt-1"
                  checked={done.includes(item.value as never)}
                  onChange={(e) =>
                    void edit(
                      [{ op: "replace", path: "/facts/pre_trip", value: e.target.checked ? [...done, item.value] : done.filter((x) => x !== item.value) }],
                      says("before-trip-2", { item: item.word }),
                    )
                  }
                />
                {item.word}
              </label>
            </li>
          ))}
        </ul>
      </section>
    </div>
  );
}

function TestSlate({ t }: { t: GasTest & { name: string } }) {
  const say = useSaid();
  const { report } = useVariant();
  const { part } = useGas();
  const { set, remove } = useTests();
  const r = part.tests.find((x) => x.id === t.id);
  return (
    <Slate title={t.name} sub={r ? VERDICT[r.verdict] : ""}>
      <FindingList findings={report.findings.filter((f) => f.subject === `gas-test:${t.id}` || f.subject === "gas-tests")} />
      {r && (
        <p className={`my-1 text-[12px] ${r.verdict === "fail" ? "text-[#f3b3a4]" : ""}`}>
          {says("fell-leak-g-h", {
            mbar_warmth_weather: say(says("mbar-warmth-weather-taken", { corrected_drop_mbar: dropWord(r.corrected_drop_mbar) })),
            mbar_one_step: say(says("mbar-one-step-gauge", { limit_mbar: r.limit_mbar })),
            l_under_test: say(says("l-under-test", { volume_l: r.volume_l })),
            some_leak_std_l_h: r.leak_std_l_h > 0,
            leak_working_g_h: r.leak_working_g_h.toPrecision(2),
            reasons: r.reasons.map((x) => REASONS[x] ?? x).join(", "),
            some_changed_count: r.changed.length > 0,
            changed_count: r.changed.length,
          })}
        </p>
      )}
      <Fields
        specs={[
          words("name", says("name")),
          words("on", says("date")),
          words("who", says("by")),
          words("licence", says("licence")),
          flag("signed", says("signed-person")),
          words("instrument", says("instrument")),
          choice("test_gas", says("with"), TEST_GAS),
          flag("isolated", says("regulator-appliances-isolated")),
          mbar("start_mbar", says("start")),
          mbar("end_mbar", says("end")),
          quantity("duration_min", says("minutes"), "count", ""),
          quantity("stabilise_min", says("settling-before-minutes"), "count", ""),
          quantity("start_temp_c", says("temperature-start"), "temperature", "°C"),
          quantity("end_temp_c", says("end"), "temperature", "°C", { clearable: true, placeholder: says("same") }),
          mbar("baro_start_mbar", says("barometer-start"), { clearable: true, placeholder: says("standard") }),
          mbar("baro_end_mbar", says("barometer-end"), { clearable: true, placeholder: says("same") }),
          mbar("gauge_resolution_mbar", says("one-step-gauge")),
          quantity("extra_volume_l", says("volume-beside-pipes"), "volume", "L"),
        ]}
        item={t}
        onSet={(key, value, label) => void set(t, { [key]: value }, label)}
      />
      <button type="button" className="btn btn-slate my-1 block" onClick={() => void set(t, { system: part.marks }, says("tested-now"))}>
        {says("was-tested-now")}
      </button>
      <TakeOut remove={() => remove(t)}>{says("remove-record")}</TakeOut>
      <p className="mt-3 border-l-2 border-gorse pl-2 text-[12px] text-chalk-dim">{say(CAUTION)}</p>
    </Slate>
  );
}

function Checks() {
  const { g, part } = useGas();
  const { design, edit } = useVariant();
  const list = design.facts?.gas_checks ?? [];
  const start: Record<string, number> = { working: part.nominal_mbar, lock_up: part.nominal_mbar, flame_failure: 30 };
  return (
    <>
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("readings-working-pressure")}</h3>
      {list.map((c: GasCheck, i) => {
        const r = part.checks[c.id];
        return (
          <fieldset key={c.id} className="m-0 my-1 border-0 border-b border-slate-2 p-0 pb-1">
            <legend className="p-0 text-[12px]">
              {wordOf(CHECKS, c.kind)}: {r?.ok ? says("limit") : <span className="text-[#f3b3a4]">{says("out-limit")}</span>},{" "}
              {c.kind === "working" ? says("least") : says("most")} {r && limitWord(r.limit)} {r?.unit}
            </legend>
            <Fields
              specs={[
                choice("kind", says("reading"), CHECKS),
                choice(
                  "appliance",
                  says("at"),
                  (g.appliances ?? []).map((a) => ({ value: a.id, word: a.name })),
                  { none: says("line") },
                ),
                c.kind === "flame_failure" ? quantity("value", says("shuts-after-seconds"), "count", "") : mbar("value", says("pressure-read")),
                words("on", says("date")),
                words("who", says("by")),
              ]}
              item={c}
              onSet={(key, value, label) => void edit([{ op: "replace", path: `/facts/gas_checks/${i}/${key}`, value }], says("reading-2", { label }))}
            />
            <button
              type="button"
              className="text-[12px] text-chalk-dim underline"
              onClick={() => void edit([{ op: "remove", path: `/facts/gas_checks/${i}` }], says("removed-reading"))}
            >
              {says("remove-reading")}
            </button>
          </fieldset>
        );
      })}
      {CHECKS.map((k) => (
        <button
          key={k.value}
          type="button"
          className="btn btn-slate my-0.5 mr-1"
          onClick={() =>
            void edit(
              [
                {
                  op: "add",
                  path: "/facts/gas_checks/-",
                  value: {
                    id: freshId(
                      k.value,
                      list.map((x) => x.id),
                    ),
                    kind: k.value,
                    value: start[k.value],
                  },
                },
              ],
              says("reading-3", { word: k.word }),
            )
          }
        >
          {says("add", { word: k.word })}
        </button>
      ))}
    </>
  );
}

function Whole() {
  const say = useSaid();
  const { report } = useVariant();
  const { g, part, set, put } = useGas();
  const c = g.certificate;
  return (
    <Slate title={says("gas")} sub={says("tests-papers")}>
      <FindingList findings={report.findings.filter((f) => f.stage === "gas" && /^(papers|gas-test|check)/.test(f.subject))} />
      <Fields
        specs={[
          choice("installer", says("installed"), INSTALLERS, { none: says("not-entered") }),
          flag("let_or_lived_in", says("let-hired-out-lived")),
          flag("local_licence", say(says("local-rule-requires-licence"))),
        ]}
        item={g}
        onSet={(key, value, label) => void set(key, value, label)}
      />
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("certificate-2")}</h3>
      {c ? (
        <>
          <Fields
            specs={[
              words("name", says("name")),
              quantity("months_ago", says("given-months-ago"), "count", ""),
              words("who", says("by")),
              words("licence", says("licence")),
            ]}
            item={c}
            onSet={put("certificate", says("certificate"))}
          />
          <button type="button" className="text-[12px] text-chalk-dim underline" onClick={() => void set("certificate", null, says("no-certificate"))}>
            {says("no-certificate")}
          </button>
        </>
      ) : (
        <button type="button" className="btn btn-slate" onClick={() => void set("certificate", { months_ago: 0 }, says("certificate-3"))}>
          {says("add-certificate")}
        </button>
      )}
      <Checks />
      <p className="mt-3 text-[12px] text-chalk-dim">
        {says("order-vessel-shut-appliances", { mbar_each_valve: say(says("mbar-each-valve-opened", { test_mbar: part.test_mbar })) })}
      </p>
      <p className="mt-3 border-l-2 border-gorse pl-2 text-[12px] text-chalk-dim">{say(CAUTION)}</p>
    </Slate>
  );
}

export function PapersView() {
  const say = useSaid();
  const { id } = useVariant();
  const { part } = useGas();
  const hand = useHand();
  const tests = useTests();
  const { edit } = useVariant();
  const start = part.test_mbar;
  const marks = part.marks;
  const ids = tests.items.map((t) => t.id).join(" ");
  const create = useCallback(async () => {
    const made = freshId("Leak test", ids.split(" "));
    const value = { id: made, name: says("leak-test-2"), start_mbar: start, end_mbar: start, duration_min: 10, system: marks };
    if (await edit([{ op: "add", path: "/facts/gas_tests/-", value }], says("added-leak-test"))) hand.pick("test", made);
  }, [edit, ids, start, marks, hand.pick]);
  useCall("bothy:new", create);
  const t = hand.kind === "test" ? tests.items.find((x) => x.id === hand.id) : undefined;
  const of = (x: GasTest) => part.tests.find((r) => r.id === x.id);
  const columns: Column<GasTest & { name: string }>[] = [
    nameColumn(tests, says("leak-test"), "28%"),
    dateColumn(tests, "14%"),
    { key: "start", label: says("start-2"), width: "12%", align: "right", kind: "computed", show: (x) => say(`${x.start_mbar} mbar`) },
    { key: "end", label: says("end-2"), width: "12%", align: "right", kind: "computed", show: (x) => say(`${x.end_mbar} mbar`) },
    wordColumn("verdict", says("verdict"), "16%", (x) => VERDICT[of(x)?.verdict ?? ""] ?? ""),
    wordColumn("counts", says("signed"), "18%", (x) => says("signed-not-signed-changed", { signed: x.signed, has_changed: Boolean(of(x)?.changed.length) })),
  ];
  return (
    <Bench
      title={says("gas")}
      sentence={<Sentence />}
      picture={<PapersPicture />}
      tools={
        <>
          <StageViews stage={says("gas")} views={VIEWS} />
          <button type="button" className="btn btn-main" onClick={() => void create()}>
            {says("add-leak-test-n")}
          </button>
          <Link className="btn" to={`/v/${id}/print/gas`}>
            {says("sheets-paper")}
          </Link>
        </>
      }
      ledger={
        <ItemLedger
          label={says("leak-tests")}
          list={tests}
          kind="test"
          subject="gas-test"
          columns={columns}
          onAdd={create}
          records
          empty={says("no-test-yet-done")}
        />
      }
      slate={t ? <TestSlate t={t} /> : <Whole />}
    />
  );
}

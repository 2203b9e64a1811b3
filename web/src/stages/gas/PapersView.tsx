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
import { type GasCheck, type GasTest, useGas, useTests } from "./edit";
import { Sentence } from "./Sentence";
import { CHECKS, dropWord, INSTALLERS, limitWord, PRE_TRIP, REASONS, TEST_GAS, VERDICT, VIEWS, wordOf } from "./words";

const CAUTION =
  "Air, not oxygen or other gas; appliances isolated; never a flame. To be done and signed by the licensed person. A result never clears a smell of gas.";
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
      <section aria-label="Papers">
        <h2 className="m-0 mb-1 font-display text-[15px]">Papers</h2>
        <dl className="m-0 grid grid-cols-[auto_1fr] gap-x-3 gap-y-1 [&>dd]:m-0 [&>dt]:text-dim">
          <dt>may install</dt>
          <dd>{say(part.law.installs)}</dd>
          <dt>paper</dt>
          <dd>{say(part.law.paper)}</dd>
          <dt>afterwards</dt>
          <dd>{say(part.law.afterwards)}</dd>
          <dt>certificate</dt>
          <dd className={!c || c.months_ago > part.law.months ? "text-rust" : ""}>
            {c ? `${c.name}, ${c.months_ago.toFixed(0)} months old${c.who ? `, by ${c.who}` : ""}` : "none yet"}
          </dd>
          <dt>leak test</dt>
          <dd className={last ? "" : "text-rust"}>
            {last ? `${last.name}, ${last.on || "no date"}: holds, and nothing was changed since` : "none that counts for what is there now"}
          </dd>
        </dl>
        <p className="mb-0 text-[12px] text-dim">Usual of the region; ask what holds where you are.</p>
      </section>
      <section aria-label="Before a trip">
        <h2 className="m-0 mb-1 font-display text-[15px]">Before a trip</h2>
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
                      `before a trip: ${item.word}`,
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
          Fell by {say(`${dropWord(r.corrected_drop_mbar)} mbar, warmth and weather taken out; `)}
          {say(`${r.limit_mbar} mbar is one step of the gauge. `)}
          {say(`${r.volume_l.toFixed(2)} L under test`)}
          {r.leak_std_l_h > 0 && `; as a leak ${r.leak_working_g_h.toPrecision(2)} g/h of gas at working pressure`}.{" "}
          {r.reasons.map((x) => REASONS[x] ?? x).join(", ")}
          {r.changed.length > 0 && ` ${r.changed.length} parts were changed since.`}
        </p>
      )}
      <Fields
        specs={[
          words("name", "name"),
          words("on", "date"),
          words("who", "by"),
          words("licence", "licence"),
          flag("signed", "signed by that person"),
          words("instrument", "instrument"),
          choice("test_gas", "with", TEST_GAS),
          flag("isolated", "regulator and appliances isolated"),
          mbar("start_mbar", "at the start"),
          mbar("end_mbar", "at the end"),
          quantity("duration_min", "minutes", "count", ""),
          quantity("stabilise_min", "settling before, minutes", "count", ""),
          quantity("start_temp_c", "temperature at the start", "temperature", "°C"),
          quantity("end_temp_c", "at the end", "temperature", "°C", { clearable: true, placeholder: "the same" }),
          mbar("baro_start_mbar", "barometer at the start", { clearable: true, placeholder: "standard" }),
          mbar("baro_end_mbar", "barometer at the end", { clearable: true, placeholder: "the same" }),
          mbar("gauge_resolution_mbar", "one step of the gauge"),
          quantity("extra_volume_l", "volume beside the pipes", "volume", "L"),
        ]}
        item={t}
        onSet={(key, value, label) => void set(t, { [key]: value }, label)}
      />
      <button type="button" className="btn btn-slate my-1 block" onClick={() => void set(t, { system: part.marks }, "tested as it is now")}>
        It was tested as it is now
      </button>
      <TakeOut remove={() => remove(t)}>Remove this record</TakeOut>
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
      <h3 className="mb-1 mt-3 font-display text-[14px]">Readings at working pressure</h3>
      {list.map((c: GasCheck, i) => {
        const r = part.checks[c.id];
        return (
          <fieldset key={c.id} className="m-0 my-1 border-0 border-b border-slate-2 p-0 pb-1">
            <legend className="p-0 text-[12px]">
              {wordOf(CHECKS, c.kind)}: {r?.ok ? "in its limit" : <span className="text-[#f3b3a4]">out of its limit</span>},{" "}
              {c.kind === "working" ? "at least" : "at most"} {r && limitWord(r.limit)} {r?.unit}
            </legend>
            <Fields
              specs={[
                choice("kind", "reading", CHECKS),
                choice(
                  "appliance",
                  "at",
                  (g.appliances ?? []).map((a) => ({ value: a.id, word: a.name })),
                  { none: "the line" },
                ),
                quantity("value", c.kind === "flame_failure" ? "shuts after, seconds" : "mbar", "count", ""),
                words("on", "date"),
                words("who", "by"),
              ]}
              item={c}
              onSet={(key, value, label) => void edit([{ op: "replace", path: `/facts/gas_checks/${i}/${key}`, value }], `reading: ${label}`)}
            />
            <button
              type="button"
              className="text-[12px] text-chalk-dim underline"
              onClick={() => void edit([{ op: "remove", path: `/facts/gas_checks/${i}` }], "removed a reading")}
            >
              remove this reading
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
              `a reading: ${k.word}`,
            )
          }
        >
          Add: {k.word}
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
    <Slate title="Gas" sub="tests and papers">
      <FindingList findings={report.findings.filter((f) => f.stage === "gas" && /^(papers|gas-test|check)/.test(f.subject))} />
      <Fields
        specs={[
          choice("installer", "installed by", INSTALLERS, { none: "not entered" }),
          flag("let_or_lived_in", "let, hired out or lived in"),
          flag("local_licence", say("a local rule requires a licence")),
        ]}
        item={g}
        onSet={(key, value, label) => void set(key, value, label)}
      />
      <h3 className="mb-1 mt-3 font-display text-[14px]">Certificate</h3>
      {c ? (
        <>
          <Fields
            specs={[words("name", "name"), quantity("months_ago", "given, months ago", "count", ""), words("who", "by"), words("licence", "licence")]}
            item={c}
            onSet={put("certificate", "certificate")}
          />
          <button type="button" className="text-[12px] text-chalk-dim underline" onClick={() => void set("certificate", null, "no certificate")}>
            no certificate
          </button>
        </>
      ) : (
        <button type="button" className="btn btn-slate" onClick={() => void set("certificate", { months_ago: 0 }, "a certificate")}>
          Add a certificate
        </button>
      )}
      <Checks />
      <p className="mt-3 text-[12px] text-chalk-dim">
        In this order: vessel shut, appliances isolated, air at the regulator’s outlet;{" "}
        {say(`${part.test_mbar} mbar; each valve opened in turn; bubble fluid on every joint; working pressure; all off; flame failure.`)}
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
    const value = { id: made, name: "Leak test", start_mbar: start, end_mbar: start, duration_min: 10, system: marks };
    if (await edit([{ op: "add", path: "/facts/gas_tests/-", value }], "added a leak test")) hand.pick("test", made);
  }, [edit, ids, start, marks, hand.pick]);
  useCall("bothy:new", create);
  const t = hand.kind === "test" ? tests.items.find((x) => x.id === hand.id) : undefined;
  const of = (x: GasTest) => part.tests.find((r) => r.id === x.id);
  const columns: Column<GasTest & { name: string }>[] = [
    nameColumn(tests, "leak test", "28%"),
    dateColumn(tests, "14%"),
    { key: "start", label: "start", width: "12%", align: "right", kind: "computed", show: (x) => say(`${x.start_mbar} mbar`) },
    { key: "end", label: "end", width: "12%", align: "right", kind: "computed", show: (x) => say(`${x.end_mbar} mbar`) },
    wordColumn("verdict", "verdict", "16%", (x) => VERDICT[of(x)?.verdict ?? ""] ?? ""),
    wordColumn("counts", "signed", "18%", (x) => `${x.signed ? "signed" : "not signed"}${of(x)?.changed.length ? ", changed since" : ""}`),
  ];
  return (
    <Bench
      title="Gas"
      sentence={<Sentence />}
      picture={<PapersPicture />}
      tools={
        <>
          <StageViews stage="Gas" views={VIEWS} />
          <button type="button" className="btn btn-main" onClick={() => void create()}>
            Add a leak test (n)
          </button>
          <Link className="btn" to={`/v/${id}/print/gas`}>
            Sheets for paper
          </Link>
        </>
      }
      ledger={
        <ItemLedger
          label="Leak tests"
          list={tests}
          kind="test"
          subject="gas-test"
          columns={columns}
          onAdd={create}
          records
          empty={"No test yet. It is done and signed by the licensed person after every change; print the sheet for it."}
        />
      }
      slate={t ? <TestSlate t={t} /> : <Whole />}
    />
  );
}

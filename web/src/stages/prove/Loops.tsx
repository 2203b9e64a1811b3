/** The loop test, before power comes on: what the ohm-meter should show, what it showed, and the verdict. */
import { useCallback } from "react";
import type { Schemas } from "../../data/client";
import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { BeingBuilt } from "../../parts/BeingBuilt";
import { ItemMark } from "../../parts/Findings";
import { type Column, Ledger } from "../../parts/Ledger";
import { Quantity } from "../../parts/Quantity";
import { Token } from "../../parts/Token";
import { useBenchLists } from "../../print/Lists";
import { useHand } from "../../shell/hand";
import { usePerson } from "../../shell/person";
import { useReadings } from "./edit";

type LoopRow = Schemas["LoopRow"];
export const LOOP_VERDICTS: Record<string, string> = { pass: "passes", high: "too high", short: "too low", open: "open" };
export const HOW = "Power off, fuse out, appliances unplugged, far ends twisted together; part them again afterwards.";

const mohm = (v: number | null | undefined) => (v == null ? "" : v >= 1e6 ? `${show(v / 1e6)} kΩ` : `${Number(v.toPrecision(3))} mΩ`);

export function LoopSentence() {
  const { design } = useVariant();
  const { units } = usePerson();
  const m = design.prove.meter;
  return (
    <>
      <BeingBuilt />
      {HOW} The ohm-meter shows steps of{" "}
      <Token
        path="/prove/meter/loop_resolution_mohm"
        label="ohm-meter's last digit"
        dimension="resistance"
        unit="mΩ"
        value={m.loop_resolution_mohm}
        shown={mohm(m.loop_resolution_mohm)}
      />
      , its leads have{" "}
      <Token
        path="/prove/meter/loop_leads_mohm"
        label="resistance of the meter's leads"
        dimension="resistance"
        unit="mΩ"
        value={m.loop_leads_mohm}
        shown={mohm(m.loop_leads_mohm)}
      />
      , and it is{" "}
      <Token
        path="/prove/meter/loop_temp_c"
        label="temperature at the test"
        dimension="temperature"
        unit="°C"
        value={m.loop_temp_c}
        shown={show(m.loop_temp_c, "°C", units)}
      />{" "}
      in there.
    </>
  );
}

export function LoopLedger() {
  const lists = useBenchLists();
  const { of, set } = useReadings();
  const hand = useHand();
  const columns: Column<LoopRow>[] = [
    { key: "code", label: "code", width: "6%", kind: "computed", show: (r) => r.code },
    { key: "name", label: "circuit", width: "25%", kind: "computed", show: (r) => <span className="font-sans text-peat">{r.name}</span> },
    { key: "expected", label: "expect", width: "12%", align: "right", kind: "computed", show: (r) => mohm(r.expected_mohm) },
    {
      key: "window",
      label: "from, to",
      width: "20%",
      align: "right",
      kind: "computed",
      show: (r) => `${mohm(r.low_mohm).replace(" mΩ", "")} to ${mohm(r.high_mohm)}`,
    },
    {
      key: "meter",
      label: "this meter",
      width: "14%",
      kind: "computed",
      show: (r) =>
        r.resolvable ? (
          "resolves it"
        ) : (
          <span title={`Loaded test: at design current no more than ${show(r.loaded_drop_v * 1.25, "V", "metric", 2)} may be lost`}>“not open” only</span>
        ),
    },
    {
      key: "loop_mohm",
      label: "read",
      width: "12%",
      align: "right",
      kind: "quantity",
      show: (r) => mohm(of(r.circuit)?.loop_mohm),
      value: (r) => of(r.circuit)?.loop_mohm,
      dimension: "resistance",
      unit: "mΩ",
      clearable: true,
      set: (r, q) => void set(r, { loop_mohm: q?.value ?? null }),
    },
    {
      key: "verdict",
      label: "verdict",
      width: "12%",
      kind: "computed",
      show: (r) => (r.verdict ? <span className={r.verdict === "pass" ? "text-peat" : "font-semibold text-rust"}>{LOOP_VERDICTS[r.verdict]}</span> : ""),
    },
  ];
  const id = useCallback((r: LoopRow) => r.circuit, []);
  if (lists.error) return <p role="alert">The loop test could not be fetched: {lists.error.message}</p>;
  if (!lists.data) return <p role="status">Drawing up the loop test…</p>;
  return (
    <Ledger
      label="Loop test"
      rows={lists.data.loops}
      columns={columns}
      id={id}
      selected={hand.kind === "circuit" ? hand.id : undefined}
      onSelect={(r) => hand.pick("circuit", r.circuit)}
      mark={(r) => <ItemMark subject={r.circuit} stage="prove" />}
      empty="No circuit has its cable yet (key 5), so there is no loop to measure."
    />
  );
}

/** The same for a thumb: one under the other, a big field each. */
export function LoopCards() {
  const lists = useBenchLists();
  const { of, set } = useReadings();
  if (!lists.data) return <p role="status">{lists.error ? `The loop test could not be fetched: ${lists.error.message}` : "Drawing up the loop test…"}</p>;
  return (
    <>
      <p className="m-0 border-l-2 border-rust pl-2 text-[15px]">{HOW}</p>
      {lists.data.loops.map((r) => (
        <section key={r.circuit} aria-label={`Loop of ${r.code} ${r.name}`} className="border border-line bg-sheet p-3">
          <h2 className="m-0 font-display text-[18px] font-semibold">
            {r.code} {r.name}
          </h2>
          <p className="my-1 num">
            {mohm(r.low_mohm)} to {mohm(r.high_mohm)}
          </p>
          <Quantity
            className="w-full [&_input]:h-12 [&_input]:text-[20px]"
            label={`Loop, ${r.code}`}
            value={of(r.circuit)?.loop_mohm}
            dimension="resistance"
            unit="mΩ"
            clearable
            onCommit={(q) => void set(r, { loop_mohm: q?.value ?? null })}
          />
          {r.verdict && (
            <p className={`my-1 text-[18px] font-semibold ${r.verdict === "pass" ? "" : "text-rust"}`} role="status">
              {LOOP_VERDICTS[r.verdict]}
            </p>
          )}
        </section>
      ))}
    </>
  );
}

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
import { says } from "../../words/prove";
import { useReadings } from "./edit";

type LoopRow = Schemas["LoopRow"];
export const LOOP_VERDICTS: Record<string, string> = { pass: says("passes"), high: says("too-high"), short: says("too-low"), open: says("open") };
export const HOW = says("power-off-fuse-out");

const mohm = (v: number | null | undefined) => (v == null ? "" : v >= 1e6 ? says("k", { v: show(v / 1e6) }) : says("m", { v: Number(v.toPrecision(3)) }));

export function LoopSentence() {
  const { design } = useVariant();
  const { units } = usePerson();
  const m = design.prove.meter;
  return (
    <>
      <BeingBuilt />
      {says("ohm-meter-shows-steps", { how: HOW })}{" "}
      <Token
        path="/prove/meter/loop_resolution_mohm"
        label={says("ohm-meters-last-digit")}
        dimension="resistance"
        unit="mΩ"
        value={m.loop_resolution_mohm}
        shown={mohm(m.loop_resolution_mohm)}
      />
      {says("leads-have")}{" "}
      <Token
        path="/prove/meter/loop_leads_mohm"
        label={says("resistance-meters-leads")}
        dimension="resistance"
        unit="mΩ"
        value={m.loop_leads_mohm}
        shown={mohm(m.loop_leads_mohm)}
      />
      {says("and-it-is")}{" "}
      <Token
        path="/prove/meter/loop_temp_c"
        label={says("temperature-test")}
        dimension="temperature"
        unit="°C"
        value={m.loop_temp_c}
        shown={show(m.loop_temp_c, "°C", units)}
      />{" "}
      {says("there")}
    </>
  );
}

export function LoopLedger() {
  const lists = useBenchLists();
  const { of, set } = useReadings();
  const hand = useHand();
  const columns: Column<LoopRow>[] = [
    { key: "code", label: says("code"), width: "6%", kind: "computed", show: (r) => r.code },
    { key: "name", label: says("circuit"), width: "25%", kind: "computed", show: (r) => <span className="font-sans text-peat">{r.name}</span> },
    { key: "expected", label: says("expect"), width: "12%", align: "right", kind: "computed", show: (r) => mohm(r.expected_mohm) },
    {
      key: "window",
      label: says("from-to"),
      width: "20%",
      align: "right",
      kind: "computed",
      show: (r) => says("to", { low_mohm: mohm(r.low_mohm).replace(" mΩ", ""), high_mohm: mohm(r.high_mohm) }),
    },
    {
      key: "meter",
      label: says("meter"),
      width: "14%",
      kind: "computed",
      show: (r) =>
        r.resolvable ? (
          says("resolves")
        ) : (
          <span title={says("loaded-test-design-current", { loaded_drop_v: show(r.loaded_drop_v * 1.25, "V", "metric", 2) })}>{says("not-open-only")}</span>
        ),
    },
    {
      key: "loop_mohm",
      label: says("read-2"),
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
      label: says("verdict"),
      width: "12%",
      kind: "computed",
      show: (r) => (r.verdict ? <span className={r.verdict === "pass" ? "text-peat" : "font-semibold text-rust"}>{LOOP_VERDICTS[r.verdict]}</span> : ""),
    },
  ];
  const id = useCallback((r: LoopRow) => r.circuit, []);
  if (lists.error) return <p role="alert">{says("loop-test-could-not", { message: lists.error.message })}</p>;
  if (!lists.data) return <p role="status">{says("drawing-up-loop-test")}</p>;
  return (
    <Ledger
      label={says("loop-test")}
      rows={lists.data.loops}
      columns={columns}
      id={id}
      selected={hand.kind === "circuit" ? hand.id : undefined}
      onSelect={(r) => hand.pick("circuit", r.circuit)}
      mark={(r) => <ItemMark subject={r.circuit} stage={says("prove")} />}
      empty={says("no-circuit-has-cable")}
    />
  );
}

/** The same for a thumb: one under the other, a big field each. */
export function LoopCards() {
  const lists = useBenchLists();
  const { of, set } = useReadings();
  if (!lists.data) return <p role="status">{lists.error ? says("loop-test-could-not", { message: lists.error.message }) : says("drawing-up-loop-test")}</p>;
  return (
    <>
      <p className="m-0 border-l-2 border-rust pl-2 text-[15px]">{HOW}</p>
      {lists.data.loops.map((r) => (
        <section key={r.circuit} aria-label={says("loop", { code: r.code, name: r.name })} className="border border-line bg-sheet p-3">
          <h2 className="m-0 font-display text-[18px] font-semibold">
            {r.code} {r.name}
          </h2>
          <p className="my-1 num">{says("to", { low_mohm: mohm(r.low_mohm), high_mohm: mohm(r.high_mohm) })}</p>
          <Quantity
            className="w-full [&_input]:h-12 [&_input]:text-[20px]"
            label={says("loop-2", { code: r.code })}
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

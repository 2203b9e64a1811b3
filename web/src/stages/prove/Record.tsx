/** Everything that was taken down, newest first: readings, tests and looks, with what corrected what. Nothing here is ever changed. */
import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { api, type Schemas, take } from "../../data/client";
import { useVariant } from "../../data/variant";
import { type Column, Ledger } from "../../parts/Ledger";

type Item = Schemas["EvidenceItem"];
const KIND: Record<string, string> = {
  reading: "reading",
  water_test: "pressure test",
  gas_test: "leak test",
  gas_check: "reading of gas",
  pre_trip: "look before a trip",
};
const READ: [key: string, label: string, unit: string][] = [
  ["source_voltage_v", "bank", "V"],
  ["load_voltage_v", "load", "V"],
  ["current_a", "", "A"],
  ["loop_mohm", "loop", "mΩ"],
];
const GAS: Record<string, [label: string, unit: string]> = {
  working: ["all burning", "mbar"],
  lock_up: ["all off", "mbar"],
  flame_failure: ["flame failure after", "s"],
};
const num = (x: unknown) => Number((x as number).toPrecision(4));

/** What an entry says, short. */
function said(e: Item): string {
  const p = e.payload;
  if (!p) return "struck";
  if (Array.isArray(p.seen)) return p.seen.length ? p.seen.join(", ") : "nothing ticked";
  const unit = "start_kpa" in p ? "kpa" : "start_mbar" in p ? "mbar" : null;
  if (unit) return `${num(p[`start_${unit}`])} to ${num(p[`end_${unit}`])} ${unit === "kpa" ? "kPa" : "mbar"} in ${num(p.duration_min)} min`;
  if (e.kind === "gas_check") {
    const [label, of] = GAS[String(p.kind)] ?? ["", ""];
    return `${label} ${num(p.value)} ${of}`;
  }
  return READ.flatMap(([k, label, u]) => (typeof p[k] === "number" ? [`${label} ${num(p[k])} ${u}`.trim()] : [])).join(", ");
}

export function RecordLedger() {
  const { id, stamp, design } = useVariant();
  const entries = useQuery({
    queryKey: ["evidence", id, stamp],
    queryFn: () => take(api.GET("/api/variants/{variant_id}/evidence", { params: { path: { variant_id: id } } })),
  });
  const names = useMemo(() => new Map((design.wiring?.circuits ?? []).map((c) => [c.id, c.name ?? c.id])), [design]);
  const gone = new Set((entries.data ?? []).map((e) => e.corrects));
  const columns: Column<Item>[] = [
    { key: "number", label: "no.", width: "5%", align: "right", kind: "computed", show: (e) => String(e.number) },
    { key: "made_at", label: "when", width: "16%", kind: "computed", show: (e) => e.made_at.slice(0, 16).replace("T", " ") },
    { key: "what", label: "what", width: "14%", kind: "computed", show: (e) => <span className="font-sans">{KIND[e.kind] ?? e.kind}</span> },
    {
      key: "of",
      label: "of",
      width: "18%",
      kind: "computed",
      show: (e) => (
        <span className="font-sans">
          {names.get(e.subject) ?? (typeof e.payload?.name === "string" ? e.payload.name : e.kind === "gas_check" ? "gas" : e.subject)}
        </span>
      ),
    },
    {
      key: "said",
      label: "says",
      width: "32%",
      kind: "computed",
      title: said,
      show: (e) => <span className={gone.has(e.number) ? "line-through" : "text-peat"}>{said(e)}</span>,
    },
    {
      key: "stands",
      label: "",
      width: "15%",
      kind: "computed",
      show: (e) => `${e.corrects != null ? `corrects ${e.corrects}, ` : ""}r${e.revision ?? "?"}`,
    },
  ];
  if (entries.error) return <p role="alert">The record could not be fetched: {entries.error.message}</p>;
  if (!entries.data) return <p role="status">Looking up the record…</p>;
  return (
    <Ledger
      label="Record"
      rows={entries.data}
      columns={columns}
      id={(e) => String(e.number)}
      selected={undefined}
      onSelect={() => undefined}
      empty="Nothing was measured yet. What you type on the test sheet, in Water’s and in Gas’ tests stands here, and stays."
    />
  );
}

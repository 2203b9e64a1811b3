/** Everything that was taken down, newest first: readings, tests and looks, with what corrected what. Nothing here is ever changed. */
import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { api, take } from "../../data/client";
import { useVariant } from "../../data/variant";
import { type Column, Ledger } from "../../parts/Ledger";
import { usePerson, useSaid } from "../../shell/person";
import { says } from "../../words/prove";
import { useCommissioning } from "./data";
import { type Entry as Item, KIND, ofWhat, said, type Telling } from "./record";

export function RecordLedger() {
  const { id, stamp, design } = useVariant();
  const entries = useQuery({
    queryKey: ["evidence", id, stamp],
    queryFn: () => take(api.GET("/api/variants/{variant_id}/evidence", { params: { path: { variant_id: id } } })),
  });
  const { units } = usePerson();
  const say = useSaid();
  const made = useCommissioning();
  const region = design.region ?? "eu";
  const told = useMemo<Telling>(() => ({ units, region, steps: new Map((made.data?.steps ?? []).map((x) => [x.id, x])) }), [units, region, made.data]);
  const names = useMemo(() => new Map((design.wiring?.circuits ?? []).map((c) => [c.id, c.name ?? c.id])), [design]);
  const gone = new Set((entries.data ?? []).map((e) => e.corrects));
  const columns: Column<Item>[] = [
    { key: "number", label: says("no"), width: "5%", align: "right", kind: "computed", show: (e) => String(e.number) },
    { key: "made_at", label: says("when"), width: "18%", kind: "computed", show: (e) => e.made_at.slice(0, 16).replace("T", " ") },
    { key: "what", label: says("what"), width: "14%", kind: "computed", show: (e) => <span className="font-sans">{KIND[e.kind] ?? e.kind}</span> },
    {
      key: "of",
      label: says("of-2"),
      width: "26%",
      kind: "computed",
      show: (e) => <span className="font-sans">{say(ofWhat(e, names, told))}</span>,
    },
    {
      key: "said",
      label: says("says"),
      width: "27%",
      kind: "computed",
      title: (e) => say(said(e, told)),
      show: (e) => <span className={gone.has(e.number) ? "line-through" : "text-peat"}>{say(said(e, told))}</span>,
    },
    {
      key: "stands",
      label: says("revision"),
      width: "10%",
      kind: "computed",
      show: (e) => says("corrects-r", { has_corrects: e.corrects != null, corrects: e.corrects ?? "", revision: e.revision ?? "?" }),
    },
  ];
  if (entries.error) return <p role="alert">{says("record-could-not-fetched", { message: entries.error.message })}</p>;
  if (!entries.data) return <p role="status">{says("looking-up-record")}</p>;
  return (
    <Ledger
      label={says("record")}
      rows={entries.data}
      columns={columns}
      id={(e) => String(e.number)}
      selected={undefined}
      onSelect={() => undefined}
      empty={says("nothing-was-measured-yet")}
    />
  );
}

/** Columns of the ledger of panels. */

import type { Schemas } from "../../data/client";
import { show } from "../../data/show";
import { nameColumn } from "../../parts/ItemLedger";
import type { Column } from "../../parts/Ledger";
import { seasonWord } from "../life/words";
import type { SolarArray, useArrays } from "./edit";

type Row = SolarArray & { name: string };
export const STANDS = [
  { value: "fixed", word: "fixed on the roof" },
  { value: "lift", word: "lifted when parked" },
  { value: "ground", word: "on the ground" },
] as const;

export function columnsOfArray(list: ReturnType<typeof useArrays>, parts: Record<string, Schemas["ArrayPart"]>, season: string): Column<Row>[] {
  const counted = (key: "series_count" | "parallel_count", label: string): Column<Row> => ({
    key,
    label,
    width: "9%",
    align: "right",
    kind: "quantity",
    show: (a) => a[key] ?? 1,
    value: (a) => a[key] ?? 1,
    dimension: "count",
    unit: "",
    set: (a, q) => void list.set(a, { [key]: Math.max(1, Math.round(q?.value ?? 1)) }, label),
  });
  return [
    nameColumn(list, "panels", "24%"),
    {
      key: "each",
      label: "each",
      width: "10%",
      align: "right",
      kind: "quantity",
      show: (a) => show(a.panel_power_w, "W"),
      value: (a) => a.panel_power_w,
      dimension: "power",
      unit: "W",
      set: (a, q) => q && void list.set(a, { panel_power_w: q.value }, "label power"),
    },
    counted("series_count", "in series"),
    counted("parallel_count", "strings"),
    {
      key: "stands",
      label: "stands",
      width: "17%",
      kind: "choice",
      options: STANDS,
      show: (a) => STANDS.find((s) => s.value === (a.deploy ?? "fixed"))?.word,
      value: (a) => a.deploy ?? "fixed",
      set: (a, v) => void list.stand(a, v),
    },
    { key: "on", label: "on", width: "19%", kind: "computed", show: (a) => parts[a.id]?.controller ?? "no controller yet" },
    {
      key: "day",
      label: `a ${seasonWord(season)} day`,
      width: "12%",
      align: "right",
      kind: "computed",
      show: (a) => show(parts[a.id]?.solar_wh[season], "Wh"),
    },
  ];
}

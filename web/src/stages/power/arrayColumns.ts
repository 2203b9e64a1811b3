/** Columns of the ledger of panels. */

import type { Schemas } from "../../data/client";
import { show } from "../../data/show";
import { nameColumn } from "../../parts/ItemLedger";
import type { Column } from "../../parts/Ledger";
import { says } from "../../words/power";
import { seasonWord } from "../life/words";
import type { SolarArray, useArrays } from "./edit";

type Row = SolarArray & { name: string };
export const STANDS = [
  { value: "fixed", word: says("fixed-roof") },
  { value: "lift", word: says("lifted-when-parked") },
  { value: "ground", word: says("ground") },
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
    nameColumn(list, says("panels-3"), "24%"),
    {
      key: "each",
      label: says("each"),
      width: "10%",
      align: "right",
      kind: "quantity",
      show: (a) => show(a.panel_power_w, "W"),
      value: (a) => a.panel_power_w,
      dimension: "power",
      unit: "W",
      set: (a, q) => q && void list.set(a, { panel_power_w: q.value }, says("label-power")),
    },
    counted("series_count", says("series")),
    counted("parallel_count", says("strings")),
    {
      key: "stands",
      label: says("stands"),
      width: "17%",
      kind: "choice",
      options: STANDS,
      show: (a) => STANDS.find((s) => s.value === (a.deploy ?? "fixed"))?.word,
      value: (a) => a.deploy ?? "fixed",
      set: (a, v) => void list.stand(a, v),
    },
    { key: "on", label: says("on"), width: "19%", kind: "computed", show: (a) => parts[a.id]?.controller ?? says("no-controller-yet-2") },
    {
      key: "day",
      label: says("day-2", { season: seasonWord(season) }),
      width: "12%",
      align: "right",
      kind: "computed",
      show: (a) => show(parts[a.id]?.solar_wh[season], "Wh"),
    },
  ];
}

/** Edits of Water's lists. */
import { useCallback } from "react";
import type { PatchOp, Schemas } from "../../data/client";
import { useItems } from "../../data/items";
import { rehang } from "../../data/lists";
import { useVariant } from "../../data/variant";
import { says } from "../../words/water";

export type WaterTank = Schemas["WaterTank"];
export type Prism = Schemas["Prism"];
export type Join = Schemas["Join"];
export type PipeRun = Schemas["PipeRun"];
export type WaterFilter = Schemas["WaterFilter"];
export type Drain = Schemas["Drain"];
export type HoldTest = Schemas["HoldTest"];
export type Pump = Schemas["Pump"];

const EMPTY = {} as Schemas["Water"];

/** Everything said of Water, never undefined; `put` sets a field of one of its parts. */
export function useWater() {
  const { design, report, edit } = useVariant();
  const w = design.water ?? EMPTY;
  const set = useCallback((key: string, value: unknown, what: string) => edit([{ op: "replace", path: `/water/${key}`, value }], what), [edit]);
  return { w, part: report.water, set };
}

export function useTanks() {
  const { design } = useVariant();
  const joins = design.water?.joins ?? [];
  const unlink = (id: string): PatchOp[] =>
    joins.flatMap((j, i): PatchOp[] => {
      if (!j.tanks.includes(id)) return [];
      const left = j.tanks.filter((t) => t !== id);
      return left.length < 2 ? [{ op: "remove", path: `/water/joins/${i}` }] : [{ op: "replace", path: `/water/joins/${i}/tanks`, value: left }];
    });
  return useItems<WaterTank & { name: string }>("/water/tanks", (design.water?.tanks ?? []) as (WaterTank & { name: string })[], says("tank-2"), unlink);
}

export function useJoins() {
  const { design } = useVariant();
  return useItems<Join & { name: string }>("/water/joins", (design.water?.joins ?? []) as (Join & { name: string })[], says("crossover"));
}

export function useRuns() {
  const { design } = useVariant();
  const items = (design.water?.runs ?? []) as (PipeRun & { name: string })[];
  return useItems<PipeRun & { name: string }>("/water/runs", items, says("run-2"), (id) => rehang("/water/runs", items, id));
}

export function useFilters() {
  const { design } = useVariant();
  return useItems<WaterFilter & { name: string }>("/water/filters", (design.water?.filters ?? []) as (WaterFilter & { name: string })[], says("filter"));
}

export function useDrains() {
  const { design } = useVariant();
  return useItems<Drain & { name: string }>("/water/drains", (design.water?.drains ?? []) as (Drain & { name: string })[], says("drain"));
}

export function useTests() {
  const { design } = useVariant();
  return useItems<HoldTest & { name: string }>(
    "/facts/water_tests",
    (design.facts?.water_tests ?? []) as (HoldTest & { name: string })[],
    says("pressure-test-2"),
  );
}

export const BOX: Prism = { shape: "box", op: "add", base_z_m: 0, length_m: 0.8, width_m: 0.4, height_m: 0.3 };
/** A diaphragm pump to begin with. */
export const PUMP: Pump = {
  name: says("pump-3"),
  kind: "pressure",
  points: [
    { flow_l_min: 0, pressure_kpa: 280 },
    { flow_l_min: 6, pressure_kpa: 190 },
    { flow_l_min: 11, pressure_kpa: 0 },
  ],
  cut_in_kpa: 140,
  cut_out_kpa: 220,
  efficiency_frac: 0.35,
  strainer: false,
  shutoff: false,
  level_stop: false,
  runs_dry: false,
  over_electrics: false,
  leak_tray: false,
  by: "typed",
} as Pump;

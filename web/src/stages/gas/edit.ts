/** Edits of Gas and of its lists. */
import { useCallback } from "react";
import type { PatchOp, Schemas } from "../../data/client";
import { useItems } from "../../data/items";
import { rehang } from "../../data/lists";
import { useVariant } from "../../data/variant";
import { says } from "../../words/gas";

export type GasAppliance = Schemas["GasAppliance"];
export type Vessel = Schemas["Vessel"];
export type GasVent = Schemas["GasVent"];
export type GasPipe = Schemas["GasPipe"];
export type Hose = Schemas["Hose"];
export type LowPoint = Schemas["LowPoint"];
export type GasTest = Schemas["GasTest"];
export type GasCheck = Schemas["GasCheck"];
type Named<T> = T & { id: string; name: string };

const EMPTY = {} as Schemas["Gas"];

/** Everything said of Gas, never undefined; `set` sets a field, `put` one of a part of it. */
export function useGas() {
  const { design, report, edit } = useVariant();
  const g = design.gas ?? EMPTY;
  const set = useCallback((key: string, value: unknown, what: string) => edit([{ op: "replace", path: `/gas/${key}`, value }], what), [edit]);
  const put = (base: string, what: string) => (key: string, value: unknown, label: string) => void set(`${base}/${key}`, value, `${what}: ${label}`);
  return { g, part: report.gas, set, put };
}

export function useAppliances() {
  const { g } = useGas();
  const unlink = (id: string): PatchOp[] =>
    (g.pipes ?? []).flatMap((p, i): PatchOp[] => (p.appliance === id ? [{ op: "replace", path: `/gas/pipes/${i}/appliance`, value: null }] : []));
  return useItems<Named<GasAppliance>>("/gas/appliances", g.appliances ?? [], says("appliance-2"), unlink);
}

export function useVessels() {
  const { g } = useGas();
  return useItems<Named<Vessel>>("/gas/vessels", g.vessels ?? [], says("cylinder"));
}

export function useVents() {
  const { g } = useGas();
  return useItems<Named<GasVent>>("/gas/locker/vents", (g.locker?.vents ?? []) as Named<GasVent>[], says("vent-2"));
}

export function useHoses() {
  const { g } = useGas();
  return useItems<Named<Hose>>("/gas/hoses", g.hoses ?? [], says("hose"));
}

export function useLowPoints() {
  const { g } = useGas();
  return useItems<Named<LowPoint>>("/gas/low_points", g.low_points ?? [], says("low-point"));
}

export function useTests() {
  const { design } = useVariant();
  return useItems<Named<GasTest>>("/facts/gas_tests", (design.facts?.gas_tests ?? []) as Named<GasTest>[], says("leak-test-2"));
}

export function usePipes() {
  const { g } = useGas();
  const items = (g.pipes ?? []) as Named<GasPipe>[];
  return useItems<Named<GasPipe>>("/gas/pipes", items, says("run-2"), (id) => rehang("/gas/pipes", items, id));
}

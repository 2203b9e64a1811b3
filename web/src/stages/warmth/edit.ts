/** Edits of Warmth's lists, and of the choices for a surface, which has no line until something is said of it. */
import { useCallback } from "react";
import type { PatchOp, Schemas } from "../../data/client";
import { useItems } from "../../data/items";
import { indexOf, setFields } from "../../data/lists";
import { freshId } from "../../data/patch";
import { useVariant } from "../../data/variant";
import { says } from "../../words/warmth";

export type BuildUp = Schemas["BuildUp"];
export type WallLayer = Schemas["WallLayer"];
export type Opening = Schemas["Opening"];
export type Heater = Schemas["Heater"];
export type WarmDuct = Schemas["WarmDuct"];
export type LoopZone = Schemas["LoopZone"];
export type Vent = Schemas["Vent"];
export type Alarm = Schemas["Alarm"];
export type Cabinet = Schemas["Cabinet"];
export type Bay = Schemas["Bay"];

/** Everything said of Warmth, never undefined. */
export function useWarmth() {
  const { design, report, edit } = useVariant();
  const w = design.warmth ?? {};
  const set = useCallback((key: string, value: unknown, what: string) => edit([{ op: "replace", path: `/warmth/${key}`, value }], what), [edit]);
  return { w, part: report.warmth, set };
}

/** What is said of one of the shell's surfaces. */
export function useSurface() {
  const { design, edit } = useVariant();
  const said = design.warmth?.surfaces ?? [];
  return {
    of: (id: string) => said.find((s) => s.id === id),
    set: (id: string, name: string, fields: Record<string, unknown>, what: string) => {
      const ops: PatchOp[] =
        indexOf(said, id) >= 0 ? setFields("/warmth/surfaces", said, id, fields) : [{ op: "add", path: "/warmth/surfaces/-", value: { id, ...fields } }];
      return edit(ops, `${name}: ${what}`);
    },
  };
}

export function useOpenings() {
  const { design } = useVariant();
  return useItems<Opening & { name: string }>("/warmth/openings", (design.warmth?.openings ?? []) as (Opening & { name: string })[], says("opening"));
}

export function useBuildUps() {
  const { design, edit } = useVariant();
  const items = design.warmth?.build_ups ?? [];
  const said = design.warmth?.surfaces ?? [];
  const unlink = (id: string): PatchOp[] =>
    said.flatMap((s, i) => (s.build_up === id ? [{ op: "replace" as const, path: `/warmth/surfaces/${i}/build_up`, value: null }] : []));
  const list = useItems<BuildUp>("/warmth/build_ups", items, says("build-up-2"), unlink);
  const at = (id: string) => `/warmth/build_ups/${indexOf(items, id)}`;
  return {
    ...list,
    /** A preset under a free id, laid on a surface in the same edit. */
    lay: async (preset: BuildUp, surface: { id: string; name: string }) => {
      const id = freshId(
        preset.id,
        items.map((b) => b.id),
      );
      const here: PatchOp[] =
        indexOf(said, surface.id) >= 0
          ? setFields("/warmth/surfaces", said, surface.id, { build_up: id })
          : [{ op: "add", path: "/warmth/surfaces/-", value: { id: surface.id, build_up: id } }];
      const ok = await edit([{ op: "add", path: "/warmth/build_ups/-", value: { ...preset, id, by: "typed" } }, ...here], `${surface.name}: ${preset.name}`);
      return ok ? id : null;
    },
    setLayers: (b: BuildUp, layers: WallLayer[], what: string) => edit([{ op: "replace", path: `${at(b.id)}/layers`, value: layers }], `${b.name}: ${what}`),
  };
}

export function useHeaters() {
  const { design } = useVariant();
  const unlink = (id: string): PatchOp[] =>
    (design.gas?.appliances ?? []).flatMap((a, i): PatchOp[] => (a.heater === id ? [{ op: "replace", path: `/gas/appliances/${i}/heater`, value: null }] : []));
  const list = useItems<Heater>("/warmth/heaters", design.warmth?.heaters ?? [], says("heater-2"), unlink);
  return { ...list, duplicate: (h: Heater) => list.duplicate({ ...h, appliance: null }) };
}

export function useDucts() {
  const { design } = useVariant();
  const items = design.warmth?.ducts ?? [];
  const unlink = (id: string): PatchOp[] => [
    ...items.flatMap((d, i) => (d.parent === id ? [{ op: "replace" as const, path: `/warmth/ducts/${i}/parent`, value: null }] : [])),
    ...(design.warmth?.drying?.duct === id ? [{ op: "replace" as const, path: "/warmth/drying/duct", value: null }] : []),
  ];
  return useItems<WarmDuct>("/warmth/ducts", items, says("run"), unlink);
}

export function useLoopZones() {
  const { design } = useVariant();
  return useItems<LoopZone>("/warmth/loop/zones", design.warmth?.loop?.zones ?? [], says("zone-3"));
}

export function useVents() {
  const { design } = useVariant();
  return useItems<Vent>("/warmth/vents", design.warmth?.vents ?? [], says("vent"));
}

export function useAlarms() {
  const { design } = useVariant();
  return useItems<Alarm & { name: string }>("/warmth/alarms", (design.warmth?.alarms ?? []) as (Alarm & { name: string })[], says("alarm-2"));
}

export function useCabinets() {
  const { design } = useVariant();
  // an inverter that stood in it stands in the open again
  const unlink = (id: string): PatchOp[] => (design.power?.inverter?.cabinet === id ? [{ op: "replace", path: "/power/inverter/cabinet", value: null }] : []);
  return useItems<Cabinet>("/warmth/cabinets", design.warmth?.cabinets ?? [], says("cabinet"), unlink);
}

export function useBays() {
  const { design } = useVariant();
  return useItems<Bay>("/warmth/bays", design.warmth?.bays ?? [], says("bay-2"));
}

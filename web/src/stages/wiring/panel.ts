/** Edits of the switch panel. */
import type { Schemas } from "../../data/client";
import { freshId } from "../../data/patch";
import { useVariant } from "../../data/variant";
import { says } from "../../words/wiring";

export type Thing = Schemas["PanelThing"];
const PANEL = "/wiring/panel";
export const THING_KINDS = [
  { value: "rocker", word: says("rocker-switch") },
  { value: "round_rocker", word: says("round-rocker") },
  { value: "push", word: says("push-button") },
  { value: "dimmer", word: says("dimmer") },
  { value: "fan_control", word: says("fan-speed-control") },
  { value: "socket", word: says("v-usb-socket") },
  { value: "voltmeter", word: says("voltmeter") },
  { value: "gauge", word: says("round-gauge") },
  { value: "display", word: says("remote-display") },
] as const;

/** A place on the plate's grid of 1 mm, kept on the plate. */
export const onGrid = (mm: number, most: number) => Math.min(most, Math.max(0, Math.round(mm)));

export function usePanelEdits() {
  const { design, edit } = useVariant();
  const panel = design.wiring?.panel ?? null;
  const things = panel?.things ?? [];
  const at = (id: string) => things.findIndex((t) => t.id === id);
  return {
    panel,
    things,
    set: (t: Thing, fields: Partial<Thing>, what: string) => {
      const i = at(t.id);
      if (i < 0) return Promise.resolve(false);
      return edit(
        Object.entries(fields).map(([key, value]) => ({ op: "replace" as const, path: `${PANEL}/things/${i}/${key}`, value })),
        `${t.label || t.kind}: ${what}`,
      );
    },
    setPlate: (key: "width_mm" | "height_mm" | "depth_mm" | "door_distance_m" | "floor_height_m" | "by_bed", value: number | boolean | null) =>
      edit([{ op: "replace", path: `${PANEL}/${key}`, value }], says("plate")),
    add: async (kind: string) => {
      const id = freshId(
        kind,
        things.map((t) => t.id),
      );
      const thing = { id, kind, label: "", circuit: null, x_mm: Math.round((panel?.width_mm ?? 240) / 2), y_mm: Math.round((panel?.height_mm ?? 120) / 2) };
      const ok = await edit(
        panel
          ? [{ op: "add", path: `${PANEL}/things/-`, value: thing }]
          : [{ op: "replace", path: PANEL, value: { width_mm: 240, height_mm: 120, things: [{ ...thing, x_mm: 40, y_mm: 70 }] } }],
        says("put-plate-2", { kind: kind.replace("_", " ") }),
      );
      return ok ? id : null;
    },
    remove: (t: Thing) => edit([{ op: "remove", path: `${PANEL}/things/${at(t.id)}` }], says("took-off-plate", { label: t.label || t.kind })),
    clear: () => edit([{ op: "replace", path: PANEL, value: null }], says("took-switch-panel-away")),
  };
}

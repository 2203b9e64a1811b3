/** Parts of the person's own for the search: from a data sheet, begun as a copy of one of the catalogue. */

import { useCatalogue } from "../../data/catalogue";
import { CHEMISTRIES } from "../../data/chemistries";
import type { Schemas } from "../../data/client";
import { removeItem, setFields } from "../../data/lists";
import { freshId } from "../../data/patch";
import type { Dimension } from "../../data/units";
import { useVariant } from "../../data/variant";
import { ChoiceProperty, FlagProperty, QuantityProperty, TextProperty } from "../../parts/Property";
import { useHand } from "../../shell/hand";
import { useMoney, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { says } from "../../words/trips";

export type OwnPart = Schemas["OwnPart"];
const BASE = "/sizing/own";
const KINDS: { kind: OwnPart["kind"]; word: string; like: string }[] = [
  { kind: "battery", word: says("battery"), like: "lfp-100" },
  { kind: "panel", word: says("panel"), like: "panel-175" },
  { kind: "controller", word: says("controller"), like: "mppt-100-30" },
  { kind: "dcdc", word: says("dc-dc-charger"), like: "dcdc-30" },
];
type Field = [key: keyof OwnPart, word: string, dimension: Dimension, unit: string, scale?: number];
const FIELDS: Record<OwnPart["kind"], Field[]> = {
  battery: [
    ["unit_voltage_v", says("voltage"), "voltage", "V"],
    ["unit_charge_ah", says("charge"), "charge", "Ah"],
    ["unit_max_discharge_a", says("discharge-most"), "current", "A"],
    ["unit_max_charge_a", says("charge-most"), "current", "A"],
    ["heater_power_w", says("heater"), "power", "W"],
  ],
  panel: [
    ["panel_power_w", says("power-stc"), "power", "W"],
    ["vmp_v", says("voltage-best-power"), "voltage", "V"],
    ["imp_a", says("current-best-power"), "current", "A"],
    ["voc_v", says("open-circuit-voltage"), "voltage", "V"],
    ["isc_a", says("short-circuit-current"), "current", "A"],
    ["length_mm", says("length-mm"), "length", "mm", 1000],
    ["width_mm", says("width-mm"), "length", "mm", 1000],
  ],
  controller: [
    ["max_voltage_v", says("panel-voltage-most"), "voltage", "V"],
    ["max_charge_current_a", says("charge-current-most"), "current", "A"],
  ],
  dcdc: [["rating_a", says("charge-current"), "current", "A"]],
};

/** The list and the buttons that begin a part. */
export function OwnParts() {
  const say = useSaid();
  const { design, edit } = useVariant();
  const hand = useHand();
  const parts = useCatalogue();
  const own = design.sizing?.own ?? [];
  const add = async (k: (typeof KINDS)[number]) => {
    const model = parts.data?.find((p) => p.key === k.like);
    if (!model) return;
    const { school: _, ...data } = model.data as Record<string, unknown>;
    const id = freshId(
      `own ${k.word}`,
      own.map((p) => p.id),
    );
    const size = k.kind === "panel" ? { length_mm: model.length_mm, width_mm: model.width_mm } : {};
    const flags = k.kind === "battery" ? { cold_charge_cutoff: Boolean(data.cold_charge_cutoff) } : {};
    const { max_input_current_a: __, max_series_fuse_a: ___, ...kept } = data;
    const value = { id, kind: k.kind, name: says("my", { word: k.word }), price: model.price, mass_kg: model.mass_kg, ...size, ...kept, ...flags };
    if (await edit([{ op: "add", path: `${BASE}/-`, value }], says("my-search", { word: k.word }))) hand.pick("part", id);
  };
  return (
    <details open={own.length > 0}>
      <summary className="cursor-pointer">{says("parts-your-own", { own_count: own.length })}</summary>
      <ul className="m-0 list-none p-0">
        {own.map((p) => (
          <li key={p.id}>
            <button type="button" className="w-full text-left underline" onClick={() => hand.pick("part", p.id)}>
              {p.name}
            </button>
          </li>
        ))}
      </ul>
      <p className="my-1 flex flex-wrap gap-1">
        {KINDS.map((k) => (
          <button type="button" key={k.kind} className="btn btn-slate px-2 py-0" disabled={!parts.data} onClick={() => void add(k)}>
            + {k.word}
          </button>
        ))}
      </p>
      {own.length > 0 && (
        <FlagProperty
          label={says("search-these-only")}
          note={say(says("not-catalogue"))}
          value={design.sizing?.own_only ?? false}
          onSet={(v) => void edit([{ op: "replace", path: "/sizing/own_only", value: v }], says("only-my-parts"))}
        />
      )}
    </details>
  );
}

export function OwnPartSlate({ part }: { part: OwnPart }) {
  const { currency } = useMoney();
  const { design, edit } = useVariant();
  const hand = useHand();
  const own = design.sizing?.own ?? [];
  const set = (fields: Partial<OwnPart>, what: string) => void edit(setFields(BASE, own, part.id, fields), `${part.name}: ${what}`);
  const word = KINDS.find((k) => k.kind === part.kind)?.word ?? part.kind;
  return (
    <Slate title={part.name} sub={says("your-own-search", { word })}>
      <button type="button" className="underline" onClick={() => hand.drop()}>
        {says("back-search")}
      </button>
      <TextProperty label={says("name")} value={part.name} maxLength={120} onSet={(name) => name.trim() && set({ name }, says("name"))} />
      <QuantityProperty
        label={says("price-2", { currency })}
        value={part.price}
        dimension="count"
        unit=""
        onSet={(v) => set({ price: v ?? 0 }, says("price"))}
      />
      <QuantityProperty label={says("mass")} value={part.mass_kg} dimension="mass" unit="kg" onSet={(v) => set({ mass_kg: v ?? 0 }, says("mass"))} />
      {part.kind === "battery" && (
        <ChoiceProperty
          label={says("chemistry")}
          value={part.chemistry ?? "lifepo4"}
          options={CHEMISTRIES}
          onSet={(v) => set({ chemistry: v as OwnPart["chemistry"] }, says("chemistry"))}
        />
      )}
      {part.kind === "controller" && (
        <ChoiceProperty
          label={says("kind")}
          value={part.controller_type ?? "mppt"}
          options={[
            { value: "mppt", word: says("mppt") },
            { value: "pwm", word: says("pwm") },
          ]}
          onSet={(v) => set({ controller_type: v as OwnPart["controller_type"] }, says("kind"))}
        />
      )}
      {FIELDS[part.kind].map(([key, label, dimension, unit, scale = 1]) => (
        <QuantityProperty
          key={key}
          label={label}
          value={part[key] as number | null}
          dimension={dimension}
          unit={unit}
          onSet={(v) => set({ [key]: v == null ? v : v * scale } as Partial<OwnPart>, label)}
        />
      ))}
      {part.kind === "battery" && (
        <FlagProperty
          label={says("stops-charging-cold-itself")}
          value={part.cold_charge_cutoff ?? false}
          onSet={(v) => set({ cold_charge_cutoff: v }, says("cut-off-cold"))}
        />
      )}
      <button
        type="button"
        className="btn btn-slate mt-2"
        onClick={async () => {
          if (await edit(removeItem(BASE, own, part.id), says("removed", { part: part.name }))) hand.drop();
        }}
      >
        {says("remove-part")}
      </button>
    </Slate>
  );
}

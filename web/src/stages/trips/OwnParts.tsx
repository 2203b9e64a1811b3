/** Parts of the person's own for the search: from a data sheet, begun as a copy of one of the catalogue. */

import { useCatalogue } from "../../data/catalogue";
import { CHEMISTRIES } from "../../data/chemistries";
import type { Schemas } from "../../data/client";
import { removeItem, setFields } from "../../data/lists";
import { freshId } from "../../data/patch";
import { useVariant } from "../../data/variant";
import { ChoiceProperty, FlagProperty, QuantityProperty, TextProperty } from "../../parts/Property";
import { useHand } from "../../shell/hand";
import { useMoney, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";

export type OwnPart = Schemas["OwnPart"];
const BASE = "/sizing/own";
const KINDS: { kind: OwnPart["kind"]; word: string; like: string }[] = [
  { kind: "battery", word: "battery", like: "lfp-100" },
  { kind: "panel", word: "panel", like: "panel-175" },
  { kind: "controller", word: "controller", like: "mppt-100-30" },
  { kind: "dcdc", word: "DC-DC charger", like: "dcdc-30" },
];
type Field = [key: keyof OwnPart, word: string, dimension: string, unit: string];
const FIELDS: Record<OwnPart["kind"], Field[]> = {
  battery: [
    ["unit_voltage_v", "voltage", "voltage", "V"],
    ["unit_charge_ah", "charge", "charge", "Ah"],
    ["unit_max_discharge_a", "discharge at most", "current", "A"],
    ["unit_max_charge_a", "charge at most", "current", "A"],
    ["heater_power_w", "its heater", "power", "W"],
  ],
  panel: [
    ["panel_power_w", "power (STC)", "power", "W"],
    ["vmp_v", "voltage at best power", "voltage", "V"],
    ["imp_a", "current at best power", "current", "A"],
    ["voc_v", "open-circuit voltage", "voltage", "V"],
    ["isc_a", "short-circuit current", "current", "A"],
    ["length_mm", "length, mm", "count", ""],
    ["width_mm", "width, mm", "count", ""],
  ],
  controller: [
    ["max_voltage_v", "panel voltage at most", "voltage", "V"],
    ["max_charge_current_a", "charge current at most", "current", "A"],
  ],
  dcdc: [["rating_a", "charge current", "current", "A"]],
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
    const value = { id, kind: k.kind, name: `My ${k.word}`, price: model.price, mass_kg: model.mass_kg, ...size, ...kept, ...flags };
    if (await edit([{ op: "add", path: `${BASE}/-`, value }], `my ${k.word} for the search`)) hand.pick("part", id);
  };
  return (
    <details open={own.length > 0}>
      <summary className="cursor-pointer">Parts of your own ({own.length})</summary>
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
          label="search these only"
          note={say("not the catalogue")}
          value={design.sizing?.own_only ?? false}
          onSet={(v) => void edit([{ op: "replace", path: "/sizing/own_only", value: v }], "only my parts")}
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
    <Slate title={part.name} sub={`a ${word} of your own, for the search`}>
      <button type="button" className="underline" onClick={() => hand.drop()}>
        back to the search
      </button>
      <TextProperty label="name" value={part.name} maxLength={120} onSet={(name) => name.trim() && set({ name }, "name")} />
      <QuantityProperty label={`price, ${currency}`} value={part.price} dimension="count" unit="" onSet={(v) => set({ price: v ?? 0 }, "price")} />
      <QuantityProperty label="mass" value={part.mass_kg} dimension="mass" unit="kg" onSet={(v) => set({ mass_kg: v ?? 0 }, "mass")} />
      {part.kind === "battery" && (
        <ChoiceProperty
          label="chemistry"
          value={part.chemistry ?? "lifepo4"}
          options={CHEMISTRIES}
          onSet={(v) => set({ chemistry: v as OwnPart["chemistry"] }, "chemistry")}
        />
      )}
      {part.kind === "controller" && (
        <ChoiceProperty
          label="kind"
          value={part.controller_type ?? "mppt"}
          options={[
            { value: "mppt", word: "MPPT" },
            { value: "pwm", word: "PWM" },
          ]}
          onSet={(v) => set({ controller_type: v as OwnPart["controller_type"] }, "kind")}
        />
      )}
      {FIELDS[part.kind].map(([key, label, dimension, unit]) => (
        <QuantityProperty
          key={key}
          label={label}
          value={part[key] as number | null}
          dimension={dimension}
          unit={unit}
          onSet={(v) => set({ [key]: v } as Partial<OwnPart>, label)}
        />
      ))}
      {part.kind === "battery" && (
        <FlagProperty
          label="stops charging in the cold by itself"
          value={part.cold_charge_cutoff ?? false}
          onSet={(v) => set({ cold_charge_cutoff: v }, "cut-off in the cold")}
        />
      )}
      <button
        type="button"
        className="btn btn-slate mt-2"
        onClick={async () => {
          if (await edit(removeItem(BASE, own, part.id), `removed ${part.name}`)) hand.drop();
        }}
      >
        Remove this part
      </button>
    </Slate>
  );
}

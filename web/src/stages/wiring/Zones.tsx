/** Lighting zones as a ledger, and one of them in the slate: its lights, the places it is switched from, and the way over them. */
import { type ReactNode, useCallback } from "react";
import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { Fig, SlateFig } from "../../parts/Fig";
import { FindingList, ItemMark } from "../../parts/Findings";
import { type Column, Ledger } from "../../parts/Ledger";
import { ChoiceProperty, FlagProperty, QuantityProperty, TextProperty } from "../../parts/Property";
import { useHand } from "../../shell/hand";
import { usePerson, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { says } from "../../words/wiring";
import { useZones, type Zone } from "./routes";
import { ZONE_CONTROLS } from "./words";

type Place = NonNullable<Zone["places"]>[number];
const MOST: Record<string, number> = { one: 1, change_over: 2, latching: 8 };

export function ZoneLedger({ fresh, onFresh, empty }: { fresh: string | null; onFresh: (id: string | null) => void; empty: ReactNode }) {
  const { report, design } = useVariant();
  const { units } = usePerson();
  const { items, set, remove, move, duplicate, add } = useZones();
  const hand = useHand();
  const names = new Map((design.life?.appliances ?? []).map((a) => [a.id, a.name]));
  const part = (z: Zone) => report.wiring.lighting.zones[z.id];
  const columns: Column<Zone>[] = [
    {
      key: "name",
      label: says("zone"),
      width: "14%",
      kind: "text",
      show: (z) => z.name,
      value: (z) => z.name,
      set: (z, name) => void set(z, { name }, says("name")),
    },
    {
      key: "lights",
      label: says("lights"),
      width: "28%",
      kind: "computed",
      show: (z) => <span className="font-sans text-peat">{(z.lights ?? []).map((i) => names.get(i)).join(", ") || says("none-yet")}</span>,
    },
    { key: "circuits", label: says("on"), width: "8%", kind: "computed", show: (z) => part(z)?.codes.join(" ") ?? "" },
    { key: "watts", label: says("power-2"), width: "9%", align: "right", kind: "computed", show: (z) => show(part(z)?.watts, "W", units) },
    {
      key: "control",
      label: says("switched"),
      width: "18%",
      kind: "choice",
      options: ZONE_CONTROLS,
      show: (z) => ZONE_CONTROLS.find((c) => c.value === z.control)?.word,
      value: (z) => z.control ?? "one",
      set: (z, v) => void set(z, { control: v as Zone["control"], places: (z.places ?? []).slice(0, MOST[v]) }, says("switched")),
    },
    {
      key: "places",
      label: says("from"),
      width: "15%",
      kind: "computed",
      show: (z) => <span className="font-sans text-peat">{(z.places ?? []).map((p) => p.name).join(", ")}</span>,
    },
    { key: "way", label: says("way-2"), width: "8%", align: "right", kind: "computed", show: (z) => <Fig k={`zones/${z.id}/way_m`} /> },
  ];
  return (
    <Ledger
      label={says("lighting-zones")}
      rows={items}
      columns={columns}
      id={useCallback((z: Zone) => z.id, [])}
      selected={hand.kind === "zone" ? hand.id : undefined}
      onSelect={(z) => hand.pick("zone", z.id)}
      onAdd={async () => onFresh(await add())}
      onRemove={(z) => void remove(z)}
      onDuplicate={(z) => onFresh(duplicate({ ...z, lights: [] }))}
      onMove={(z, by) => void move(z, by)}
      mark={(z) => <ItemMark subject={z.id} />}
      focusNew={fresh}
      empty={empty}
    />
  );
}

function PlaceRow({ p, first, onSet, onRemove }: { p: Place; first: boolean; onSet: (fields: Partial<Place>) => void; onRemove: () => void }) {
  const say = useSaid();
  return (
    <fieldset className="m-0 border-0 border-b border-slate-2 p-0 py-1">
      <legend className="sr-only">{p.name}</legend>
      <TextProperty label={says("place")} value={p.name} maxLength={120} onSet={(name) => name.trim() && onSet({ name: name.trim() })} />
      <FlagProperty label={says("switch-panel-3")} value={p.on_plate ?? false} onSet={(on_plate) => onSet({ on_plate })} />
      {!p.on_plate && (
        <>
          <QuantityProperty
            label={says("doors-clear-opening")}
            note={say(says("m-most-reach-outside"), "wiring")}
            value={p.door_distance_m}
            dimension="length"
            unit="m"
            clearable
            placeholder={says("not-entered")}
            onSet={(v) => onSet({ door_distance_m: v })}
          />
          <QuantityProperty
            label={says("above-floor")}
            note={say(says("m"), "wiring")}
            value={p.height_m}
            dimension="length"
            unit="m"
            clearable
            placeholder={says("not-entered")}
            onSet={(v) => onSet({ height_m: v })}
          />
        </>
      )}
      <FlagProperty label={says("reached-bed")} value={p.by_bed ?? false} onSet={(by_bed) => onSet({ by_bed })} />
      <QuantityProperty
        label={first ? says("cable-board") : says("cable-place-before")}
        value={p.wire_m}
        dimension="length"
        unit="m"
        clearable
        placeholder={says("not-measured")}
        onSet={(v) => onSet({ wire_m: v })}
      />
      <button type="button" className="text-[12px] text-chalk-dim underline" onClick={onRemove}>
        {says("remove-place")}
      </button>
    </fieldset>
  );
}

export function ZoneSlate({ z }: { z: Zone }) {
  const say = useSaid();
  const { report, design } = useVariant();
  const { items, set, put, remove } = useZones();
  const places = z.places ?? [];
  const part = report.wiring.lighting.zones[z.id];
  const lights = (design.life?.appliances ?? []).filter((a) => a.kind === "light");
  const where = new Map(items.flatMap((x) => (x.lights ?? []).map((l) => [l, x] as const)));
  const addPlace = () => {
    const taken = places.map((p) => p.id);
    const id = ["p1", "p2", "p3", "p4", "p5", "p6", "p7", "p8"].find((x) => !taken.includes(x)) ?? "p9";
    const control = places.length >= 2 ? "latching" : places.length === 1 && z.control === "one" ? "change_over" : z.control;
    void set(
      z,
      { control, places: [...places, { id, name: places.length ? says("bed") : says("switch-panel-2"), on_plate: !places.length, by_bed: places.length > 0 }] },
      says("another-place"),
    );
  };
  return (
    <Slate title={z.name} sub={says("lighting-zone")}>
      <FindingList findings={report.findings.filter((f) => f.subject === z.id || f.rule === "wire-no-switch-at-door")} />
      <TextProperty label={says("name")} value={z.name} maxLength={120} onSet={(name) => name.trim() && void set(z, { name: name.trim() }, says("name"))} />
      <ChoiceProperty
        label={says("switched")}
        value={z.control ?? "one"}
        options={ZONE_CONTROLS}
        onSet={(v) => void set(z, { control: v as Zone["control"], places: places.slice(0, MOST[v]) }, says("switched"))}
      />
      {part?.between_count != null && (
        <p className="my-1 text-[12px] text-chalk-dim">
          {z.control === "latching" ? says("thin-wires-every-push") : say(says("strappers-between-two-two", { between_count: part.between_count }), "wiring")}
        </p>
      )}
      <SlateFig k={`zones/${z.id}/way_m`} />
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("switched-2")}</h3>
      {places.map((p, i) => (
        <PlaceRow
          key={p.id}
          p={p}
          first={i === 0}
          onSet={(fields) => void set(z, { places: places.map((x) => (x.id === p.id ? { ...x, ...fields } : x)) }, p.name)}
          onRemove={() => void set(z, { places: places.filter((x) => x.id !== p.id) }, says("took-place-away"))}
        />
      ))}
      {places.length < 8 && (
        <button type="button" className="btn btn-slate my-1" onClick={addPlace}>
          {says("another-place-2")}
        </button>
      )}
      <QuantityProperty
        label={says("cable-last-switch-lamps")}
        value={z.lamp_wire_m}
        dimension="length"
        unit="m"
        clearable
        placeholder={says("not-measured")}
        onSet={(v) => void set(z, { lamp_wire_m: v }, says("way-lamps"))}
      />
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("lights-2")}</h3>
      {lights.map((a) => {
        const at = where.get(a.id);
        return (
          <FlagProperty
            key={a.id}
            label={a.name}
            note={at && at.id !== z.id ? says("now-3", { name: at.name }) : undefined}
            value={at?.id === z.id}
            onSet={(on) => void put(a.id, on ? z.id : null)}
          />
        );
      })}
      <p className="my-1 text-[12px] text-chalk-dim">
        {report.wiring.lighting.from_door.length ? says("within-reach-outside", { from_door: report.wiring.lighting.from_door.join("; ") }) : ""}
        {report.wiring.lighting.from_bed.length ? says("bed-2", { from_bed: report.wiring.lighting.from_bed.join("; ") }) : ""}
      </p>
      <button type="button" className="btn btn-slate mt-2" onClick={() => void remove(z)}>
        {says("remove-zone")}
      </button>
    </Slate>
  );
}

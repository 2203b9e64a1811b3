/** The slate of the switch panel: the plate, or the thing on it that is in hand. */

import { Link } from "react-router";
import { useVariant } from "../../data/variant";
import { SlateFig } from "../../parts/Fig";
import { FindingList } from "../../parts/Findings";
import { ChoiceProperty, FlagProperty, Property, QuantityProperty, TextProperty } from "../../parts/Property";
import { useHand } from "../../shell/hand";
import { useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { THING_KINDS, type Thing, usePanelEdits } from "./panel";

function ThingSlate({ t }: { t: Thing }) {
  const { design, report } = useVariant();
  const { set, remove } = usePanelEdits();
  const hand = useHand();
  const word = THING_KINDS.find((k) => k.value === t.kind)?.word ?? t.kind;
  return (
    <Slate title={t.label || word} sub={`on the switch panel: ${word}`}>
      <FindingList findings={report.findings.filter((f) => f.subject === `panel:${t.id}`)} />
      <TextProperty label="engraved label" value={t.label ?? ""} maxLength={40} onSet={(label) => void set(t, { label: label.trim() }, "label")} />
      <ChoiceProperty label="what it is" value={t.kind} options={THING_KINDS} onSet={(v) => void set(t, { kind: v as Thing["kind"] }, "kind")} />
      <ChoiceProperty
        label="switches or feeds"
        value={t.circuit ?? ""}
        options={[
          { value: "", word: "nothing" },
          ...(design.wiring?.circuits ?? [])
            .filter((c) => c.kind === "load")
            .map((c) => ({ value: c.id, word: `${report.wiring.circuits[c.id]?.code ?? ""} ${c.name}` })),
        ]}
        onSet={(v) => void set(t, { circuit: v || null }, "circuit")}
      />
      <QuantityProperty
        label="rated, at direct current"
        note="the maker’s figure; typical where empty"
        value={t.rating_a}
        dimension="current"
        unit="A"
        clearable
        placeholder="typical"
        onSet={(v) => void set(t, { rating_a: v }, "rating")}
      />
      {t.circuit && (
        <FlagProperty
          label="works a relay by the load"
          note="over a thin wire fused at 1 A; the switch no longer carries the load"
          value={t.relay ?? false}
          onSet={(relay) => void set(t, { relay }, "relay")}
        />
      )}
      <QuantityProperty
        label="middle, from the left"
        value={t.x_mm}
        dimension="length"
        unit="mm"
        onSet={(v) => v != null && void set(t, { x_mm: Math.round(v * 10000) / 10 }, "place")}
      />
      <QuantityProperty
        label="middle, from below"
        value={t.y_mm}
        dimension="length"
        unit="mm"
        onSet={(v) => v != null && void set(t, { y_mm: Math.round(v * 10000) / 10 }, "place")}
      />
      <button
        type="button"
        className="btn btn-slate mt-2"
        onClick={() => {
          void remove(t);
          hand.pick("panel", "plate");
        }}
      >
        Remove from the panel
      </button>
    </Slate>
  );
}

export function PanelSlate() {
  const say = useSaid();
  const { id, report } = useVariant();
  const { panel, things, setPlate, add, clear } = usePanelEdits();
  const hand = useHand();
  const t = things.find((x) => x.id === hand.id);
  if (t) return <ThingSlate t={t} />;
  return (
    <Slate title="Switch panel" sub={panel ? say(`${things.length} parts on ${panel.width_mm} × ${panel.height_mm} mm`, "wiring") : "none yet"}>
      <p className="my-1 text-[12px] text-chalk-dim">
        Switch ratings are for direct current: an AC rating does not carry over. Cut only with nothing live behind.
      </p>
      <FindingList
        findings={report.findings.filter((f) => f.subject.startsWith("panel:"))}
        empty={panel ? "Everything fits, and every switch carries its circuit." : undefined}
      />
      <Property label="put on it">
        <select
          className="field-slate w-full"
          aria-label="Put on the plate"
          value=""
          onChange={async (e) => {
            const made = e.target.value ? await add(e.target.value) : null;
            if (made) hand.pick("panel", made);
          }}
        >
          <option value="">choose a part…</option>
          {THING_KINDS.map((k) => (
            <option key={k.value} value={k.value}>
              {k.word}
            </option>
          ))}
        </select>
      </Property>
      {panel && (
        <>
          {(["width_mm", "height_mm"] as const).map((key) => (
            <QuantityProperty
              key={key}
              label={key === "width_mm" ? "width" : "height"}
              value={panel[key]}
              dimension="length"
              unit="mm"
              onSet={(v) => v != null && void setPlate(key, Math.round(v * 1000))}
            />
          ))}
          <QuantityProperty
            label="free behind it"
            value={panel.depth_mm}
            dimension="length"
            unit="mm"
            clearable
            placeholder="not measured"
            onSet={(v) => void setPlate("depth_mm", v == null ? null : Math.round(v * 1000))}
          />
          <QuantityProperty
            label="from the door’s clear opening"
            note={say("0.6 m at most, to reach it from outside", "wiring")}
            value={panel.door_distance_m}
            dimension="length"
            unit="m"
            clearable
            placeholder="not entered"
            onSet={(v) => void setPlate("door_distance_m", v)}
          />
          <QuantityProperty
            label="its middle above the floor"
            note={say("0.7 to 1.5 m", "wiring")}
            value={panel.floor_height_m}
            dimension="length"
            unit="m"
            clearable
            placeholder="not entered"
            onSet={(v) => void setPlate("floor_height_m", v)}
          />
          <FlagProperty label="reached from the bed" value={panel.by_bed ?? false} onSet={(on) => void setPlate("by_bed", on)} />
          <SlateFig k="panel/smallest_edge_mm" />
          <SlateFig k="panel/smallest_gap_mm" />
          <div className="mt-2 flex flex-wrap gap-1">
            <a className="btn btn-slate no-underline" href={`/api/variants/${id}/export/panel.svg`} download>
              1:1 SVG
            </a>
            <a className="btn btn-slate no-underline" href={`/api/variants/${id}/export/panel.dxf`} download>
              1:1 DXF
            </a>
            <a className="btn btn-slate no-underline" href={`/api/variants/${id}/paper/panel.pdf`} download>
              1:1 PDF
            </a>
            <Link className="btn btn-slate no-underline" to={`/v/${id}/print/panel`}>
              Print 1:1
            </Link>
            <button type="button" className="btn btn-slate" onClick={() => void clear()}>
              Remove the panel
            </button>
          </div>
        </>
      )}
    </Slate>
  );
}

/** The slate of the switch panel: the plate, or the thing on it that is in hand. */

import { Link } from "react-router";
import { useVariant } from "../../data/variant";
import { SlateFig } from "../../parts/Fig";
import { FindingList } from "../../parts/Findings";
import { ChoiceProperty, FlagProperty, Property, QuantityProperty, TextProperty } from "../../parts/Property";
import { useHand } from "../../shell/hand";
import { useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { says } from "../../words/wiring";
import { THING_KINDS, type Thing, usePanelEdits } from "./panel";

function ThingSlate({ t }: { t: Thing }) {
  const { design, report } = useVariant();
  const { set, remove } = usePanelEdits();
  const hand = useHand();
  const word = THING_KINDS.find((k) => k.value === t.kind)?.word ?? t.kind;
  return (
    <Slate title={t.label || word} sub={says("switch-panel", { word })}>
      <FindingList findings={report.findings.filter((f) => f.subject === `panel:${t.id}`)} />
      <TextProperty
        label={says("engraved-label")}
        value={t.label ?? ""}
        maxLength={40}
        onSet={(label) => void set(t, { label: label.trim() }, says("label"))}
      />
      <ChoiceProperty label={says("what-2")} value={t.kind} options={THING_KINDS} onSet={(v) => void set(t, { kind: v as Thing["kind"] }, says("kind"))} />
      <ChoiceProperty
        label={says("switches-feeds")}
        value={t.circuit ?? ""}
        options={[
          { value: "", word: says("nothing") },
          ...(design.wiring?.circuits ?? [])
            .filter((c) => c.kind === "load")
            .map((c) => ({ value: c.id, word: `${report.wiring.circuits[c.id]?.code ?? ""} ${c.name}` })),
        ]}
        onSet={(v) => void set(t, { circuit: v || null }, says("circuit-2"))}
      />
      <QuantityProperty
        label={says("rated-direct-current")}
        note={says("makers-figure-typical-where")}
        value={t.rating_a}
        dimension="current"
        unit="A"
        clearable
        placeholder={says("typical")}
        onSet={(v) => void set(t, { rating_a: v }, says("rating"))}
      />
      {t.circuit && (
        <FlagProperty
          label={says("works-relay-load")}
          note={says("over-thin-wire-fused")}
          value={t.relay ?? false}
          onSet={(relay) => void set(t, { relay }, says("relay-2"))}
        />
      )}
      <QuantityProperty
        label={says("middle-left")}
        value={t.x_mm}
        dimension="length"
        unit="mm"
        onSet={(v) => v != null && void set(t, { x_mm: Math.round(v * 10000) / 10 }, says("place"))}
      />
      <QuantityProperty
        label={says("middle-below")}
        value={t.y_mm}
        dimension="length"
        unit="mm"
        onSet={(v) => v != null && void set(t, { y_mm: Math.round(v * 10000) / 10 }, says("place"))}
      />
      <button
        type="button"
        className="btn btn-slate mt-2"
        onClick={() => {
          void remove(t);
          hand.pick("panel", "plate");
        }}
      >
        {says("remove-panel")}
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
    <Slate
      title={says("switch-panel-2")}
      sub={panel ? say(says("parts-mm", { things_count: things.length, width_mm: panel.width_mm, height_mm: panel.height_mm }), "wiring") : says("none-yet")}
    >
      <p className="my-1 text-[12px] text-chalk-dim">{says("switch-ratings-direct-current")}</p>
      <FindingList findings={report.findings.filter((f) => f.subject.startsWith("panel:"))} empty={panel ? says("everything-fits-every-switch") : undefined} />
      <Property label={says("put")}>
        <select
          className="field-slate w-full"
          aria-label={says("put-plate")}
          value=""
          onChange={async (e) => {
            const made = e.target.value ? await add(e.target.value) : null;
            if (made) hand.pick("panel", made);
          }}
        >
          <option value="">{says("choose-part")}</option>
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
              label={key === "width_mm" ? says("width") : says("height")}
              value={panel[key]}
              dimension="length"
              unit="mm"
              onSet={(v) => v != null && void setPlate(key, Math.round(v * 1000))}
            />
          ))}
          <QuantityProperty
            label={says("free-behind")}
            value={panel.depth_mm}
            dimension="length"
            unit="mm"
            clearable
            placeholder={says("not-measured")}
            onSet={(v) => void setPlate("depth_mm", v == null ? null : Math.round(v * 1000))}
          />
          <QuantityProperty
            label={says("doors-clear-opening")}
            note={say(says("m-most-reach-outside"), "wiring")}
            value={panel.door_distance_m}
            dimension="length"
            unit="m"
            clearable
            placeholder={says("not-entered")}
            onSet={(v) => void setPlate("door_distance_m", v)}
          />
          <QuantityProperty
            label={says("middle-above-floor")}
            note={say(says("m"), "wiring")}
            value={panel.floor_height_m}
            dimension="length"
            unit="m"
            clearable
            placeholder={says("not-entered")}
            onSet={(v) => void setPlate("floor_height_m", v)}
          />
          <FlagProperty label={says("reached-bed")} value={panel.by_bed ?? false} onSet={(on) => void setPlate("by_bed", on)} />
          <SlateFig k="panel/smallest_edge_mm" />
          <SlateFig k="panel/smallest_gap_mm" />
          <div className="mt-2 flex flex-wrap gap-1">
            <a className="btn btn-slate no-underline" href={`/api/variants/${id}/export/panel.svg`} download>
              1:1 SVG
            </a>
            <a className="btn btn-slate no-underline" href={`/api/variants/${id}/export/panel.dxf`} download>
              {says("dxf")}
            </a>
            <a className="btn btn-slate no-underline" href={`/api/variants/${id}/paper/panel.pdf`} download>
              1:1 PDF
            </a>
            <Link className="btn btn-slate no-underline" to={`/v/${id}/print/panel`}>
              {says("print")}
            </Link>
            <button type="button" className="btn btn-slate" onClick={() => void clear()}>
              {says("remove-panel-2")}
            </button>
          </div>
        </>
      )}
    </Slate>
  );
}

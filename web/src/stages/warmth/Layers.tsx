/** The layers of a build-up, inside to outside: changed in place, moved by dragging or by keys, and the wall's temperatures and damp beside them. */

import { useQuery } from "@tanstack/react-query";
import { scaleLinear } from "d3-scale";
import { useState } from "react";
import { api, type Schemas, take } from "../../data/client";
import { freshId } from "../../data/patch";
import { degrees } from "../../data/show";
import { ChoiceProperty, FlagProperty, QuantityProperty } from "../../parts/Property";
import { usePerson, useSaid } from "../../shell/person";
import { says } from "../../words/warmth";
import { type BuildUp, useBuildUps, type WallLayer } from "./edit";

type Plane = Schemas["Plane"];

export function useMaterials() {
  return useQuery({ queryKey: ["materials"], queryFn: () => take(api.GET("/api/materials")), staleTime: Number.POSITIVE_INFINITY });
}

/** Temperature and vapour through the wall: where the vapour line touches the saturation line, it gets wet. */
export function WallProfile({ planes, dew }: { planes: Plane[]; dew: number }) {
  const { units } = usePerson();
  const say = useSaid();
  const W = 276;
  const H = 118;
  const far = Math.max(1, planes.at(-1)?.position_mm ?? 1);
  const x = scaleLinear([0, far], [26, W - 8]);
  const top = Math.max(...planes.map((p) => p.sat_pressure_pa));
  const y = scaleLinear([0, top], [H - 16, 8]);
  const line = (of: (p: Plane) => number) => planes.map((p, i) => `${i ? "L" : "M"}${x(p.position_mm).toFixed(1)} ${y(of(p)).toFixed(1)}`).join("");
  const wet = planes.filter((p) => p.rate_g_m2_day > 0.05);
  return (
    <svg viewBox={`0 0 ${W} ${H}`} className="my-1 block w-full" role="img" aria-label={say(says("vapour-through-wall-air", { dew }))}>
      <path d={`M26 8V${H - 16}H${W - 8}`} stroke="var(--color-chalk-dim)" fill="none" strokeWidth="0.7" />
      <path d={line((p) => p.sat_pressure_pa)} stroke="#f0c445" strokeWidth="1.4" fill="none" />
      <path d={line((p) => p.free_pressure_pa)} stroke="var(--color-chalk-dim)" strokeWidth="1" strokeDasharray="2 3" fill="none" />
      <path d={line((p) => p.vapour_pressure_pa)} stroke="#7fc1d8" strokeWidth="1.8" fill="none" />
      {wet.map((p) => (
        <g key={p.position_mm}>
          <circle cx={x(p.position_mm)} cy={y(p.vapour_pressure_pa)} r="3.4" fill="#7fc1d8" />
          <text x={x(p.position_mm) - 5} y={y(p.vapour_pressure_pa) - 6} fontSize="9.5" textAnchor="end" className="num" fill="var(--color-chalk)">
            {p.rate_g_m2_day.toFixed(1)} g
          </text>
        </g>
      ))}
      <text x="26" y={H - 4} fontSize="9" fill="var(--color-chalk-dim)">
        {says("inside", { temp: degrees(planes[0]?.temp_c ?? 0, units) })}
      </text>
      <text x={W - 8} y={H - 4} fontSize="9" textAnchor="end" fill="var(--color-chalk-dim)">
        {says("outside", { temp: degrees(planes.at(-1)?.temp_c ?? 0, units) })}
      </text>
      <text x={W - 10} y="16" fontSize="9" textAnchor="end" fill="#f0c445">
        {says("what-air-can-hold")}
      </text>
      <text x={W - 10} y="27" fontSize="9" textAnchor="end" fill="#7fc1d8">
        {say(says("vapour"))}
      </text>
    </svg>
  );
}

/** Where a layer lands when it is moved; null when it stays. */
export function moved(layers: WallLayer[], from: number, to: number): WallLayer[] | null {
  if (from === to || to < 0 || to >= layers.length || !layers[from]) return null;
  const out = [...layers];
  const [one] = out.splice(from, 1);
  out.splice(to, 0, one!);
  return out;
}

export function Layers({ b }: { b: BuildUp }) {
  const say = useSaid();
  const { setLayers } = useBuildUps();
  const materials = useMaterials();
  const [open, setOpen] = useState<string | null>(null);
  const [from, setFrom] = useState<number | null>(null);
  const layers = b.layers ?? [];
  const options = [{ value: "air_gap", word: says("air-gap") }, ...(materials.data ?? []).map((m) => ({ value: m.key, word: m.name }))];
  const nameOf = (l: WallLayer) => l.name || options.find((o) => o.value === l.material)?.word || says("own-layer");
  const put = (i: number, fields: Partial<WallLayer>, what: string) =>
    void setLayers(
      b,
      layers.map((l, n) => (n === i ? { ...l, ...fields } : l)),
      what,
    );
  const move = (i: number, to: number) => {
    const next = moved(layers, i, to);
    if (next) void setLayers(b, next, says("order-layers"));
  };
  const add = () => {
    const id = freshId(
      "layer",
      layers.map((l) => l.id),
    );
    void setLayers(
      b,
      [...layers, { id, material: "elastomeric_foam", thickness_mm: 19, coverage_frac: 1, foil: false, over_ribs: false, name: "" }],
      says("one-more-layer"),
    );
    setOpen(id);
  };
  return (
    <div>
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("layers-inside-outside")}</h3>
      <ol className="m-0 list-none p-0" aria-label={says("layers")}>
        {layers.map((l, i) => (
          <li
            key={l.id}
            draggable
            onDragStart={() => setFrom(i)}
            onDragOver={(e) => e.preventDefault()}
            onDrop={() => {
              if (from !== null) move(from, i);
              setFrom(null);
            }}
            className="border-b border-slate-2 py-0.5"
          >
            <div className="flex items-center gap-1">
              <span className="num w-4 cursor-grab text-chalk-dim" title={says("drag-move")}>
                {i + 1}
              </span>
              <button
                type="button"
                className="min-w-0 flex-1 truncate text-left underline decoration-dotted underline-offset-2"
                aria-expanded={open === l.id}
                onClick={() => setOpen(open === l.id ? null : l.id)}
                onKeyDown={(e) => {
                  if (e.altKey && (e.key === "ArrowUp" || e.key === "ArrowDown")) {
                    e.preventDefault();
                    move(i, i + (e.key === "ArrowUp" ? -1 : 1));
                  }
                }}
              >
                {nameOf(l)}
                {l.over_ribs && <span className="text-chalk-dim"> {says("over-ribs")}</span>}
              </button>
              <span className="num">{say(`${l.thickness_mm} mm`)}</span>
              <button
                type="button"
                className="px-1 text-chalk-dim"
                aria-label={says("move-inwards", { l: nameOf(l) })}
                disabled={i === 0}
                onClick={() => move(i, i - 1)}
              >
                ↑
              </button>
              <button
                type="button"
                className="px-1 text-chalk-dim"
                aria-label={says("move-outwards", { l: nameOf(l) })}
                disabled={i === layers.length - 1}
                onClick={() => move(i, i + 1)}
              >
                ↓
              </button>
            </div>
            {open === l.id && (
              <div className="pb-1 pl-5">
                <ChoiceProperty
                  label={says("material")}
                  value={l.material ?? ""}
                  options={l.material ? options : [{ value: "", word: says("own-values") }, ...options]}
                  onSet={(material) => put(i, { material: material || null }, says("material"))}
                />
                <QuantityProperty
                  label={says("thickness-fitted")}
                  value={l.thickness_mm}
                  dimension="length"
                  unit="mm"
                  onSet={(v) => v !== null && put(i, { thickness_mm: v * 1000 }, says("thickness"))}
                />
                {l.material === "air_gap" ? (
                  <FlagProperty
                    label={says("one-side-clean-foil")}
                    note={says("foil-works-only-gap")}
                    value={l.foil ?? false}
                    onSet={(foil) => put(i, { foil }, says("foil-gap"))}
                  />
                ) : (
                  <QuantityProperty
                    label={says("covers")}
                    note={says("surface")}
                    value={l.coverage_frac ?? 1}
                    dimension="fraction"
                    unit=""
                    onSet={(v) => v !== null && put(i, { coverage_frac: v }, says("coverage"))}
                  />
                )}
                <FlagProperty
                  label={says("passes-over-ribs")}
                  note={says("lining-thermal-break-do")}
                  value={l.over_ribs ?? false}
                  onSet={(over_ribs) => put(i, { over_ribs }, says("over-ribs"))}
                />
                <button
                  type="button"
                  className="text-[12px] text-chalk-dim underline"
                  onClick={() =>
                    void setLayers(
                      b,
                      layers.filter((x) => x.id !== l.id),
                      says("layer-less"),
                    )
                  }
                >
                  {says("take-layer-out")}
                </button>
              </div>
            )}
          </li>
        ))}
      </ol>
      <button type="button" className="btn btn-slate my-1" onClick={add}>
        {says("add-layer")}
      </button>
    </div>
  );
}

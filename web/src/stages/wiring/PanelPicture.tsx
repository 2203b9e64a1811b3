/** The switch panel's plate to scale: press a thing to take it into the hand, drag it or move it with the arrows on a grid of 1 mm. */

import { type PointerEvent, useRef, useState } from "react";
import type { Schemas } from "../../data/client";
import { useVariant } from "../../data/variant";
import { useHand } from "../../shell/hand";
import { useSaid } from "../../shell/person";
import { says } from "../../words/wiring";
import { onGrid, usePanelEdits } from "./panel";

type Shape = Schemas["PanelShape"];
const TEXT = 2.4 / 0.72;

function Outline({ size, ...rest }: { size: number[] } & React.SVGProps<SVGRectElement & SVGCircleElement>) {
  const [w = 0, h] = size;
  if (h === undefined) return <circle r={w / 2} {...rest} />;
  return <rect x={-w / 2} y={-h / 2} width={w} height={h} rx="1" {...rest} />;
}

export function PanelPicture() {
  const say = useSaid();
  const { report } = useVariant();
  const hand = useHand();
  const { things, set } = usePanelEdits();
  const svg = useRef<SVGSVGElement>(null);
  const [drag, setDrag] = useState<{ id: string; dx: number; dy: number; x: number; y: number } | null>(null);
  const part = report.wiring.panel;
  if (!part) return null;
  const { width_mm: W, height_mm: H } = part;
  const mm = (e: PointerEvent) => {
    const box = svg.current?.getBoundingClientRect();
    if (!box?.width) return { x: 0, y: 0 };
    return { x: ((e.clientX - box.left) / box.width) * (W + 8) - 4, y: H - (((e.clientY - box.top) / box.height) * (H + 8) - 4) };
  };
  const move = (s: Shape, x: number, y: number) => {
    const t = things.find((q) => q.id === s.id);
    const to = { x_mm: onGrid(x, W), y_mm: onGrid(y, H) };
    if (t && (to.x_mm !== t.x_mm || to.y_mm !== t.y_mm)) void set(t, to, says("mm", { x_mm: to.x_mm, y_mm: to.y_mm }));
  };
  return (
    <div className="px-2 pt-1">
      <svg
        ref={svg}
        viewBox={`-4 -4 ${W + 8} ${H + 8}`}
        className="mx-auto block max-h-[38vh] w-full touch-none select-none"
        role="group"
        aria-label={say(says("switch-panel-mm-parts", { w: W, h: H, shapes_count: part.shapes.length, ok: part.ok }), "wiring")}
        onPointerMove={(e) => {
          if (!drag) return;
          const p = mm(e);
          setDrag({ ...drag, x: onGrid(p.x + drag.dx, W), y: onGrid(p.y + drag.dy, H) });
        }}
        onPointerUp={() => {
          const s = drag && part.shapes.find((q) => q.id === drag.id);
          if (s && drag) move(s, drag.x, drag.y);
          setDrag(null);
        }}
      >
        <rect width={W} height={H} rx="3" fill="var(--color-sheet)" stroke="currentColor" strokeWidth="0.6" />
        {part.shapes.map((s) => {
          const held = drag?.id === s.id ? drag : null;
          const [x, y] = held ? [held.x, held.y] : [s.x_mm, s.y_mm];
          const on = hand.kind === "panel" && hand.id === s.id;
          const name = says("left-below-clashes", {
            label: s.label || s.word,
            has_circuit_code: Boolean(s.circuit_code),
            circuit_code: s.circuit_code ?? "",
            word: s.word,
            x,
            y,
            wrong: s.wrong,
          });
          return (
            <g key={s.id} transform={`translate(${x} ${H - y})`}>
              <g
                role="button"
                tabIndex={0}
                aria-label={name}
                className="cursor-move"
                onClick={() => hand.pick("panel", s.id)}
                onPointerDown={(e) => {
                  const p = mm(e);
                  hand.pick("panel", s.id);
                  setDrag({ id: s.id, dx: s.x_mm - p.x, dy: s.y_mm - p.y, x: s.x_mm, y: s.y_mm });
                }}
                onKeyDown={(e) => {
                  const step = e.shiftKey ? 10 : 1;
                  const way = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, step], ArrowDown: [0, -step] }[e.key];
                  if (way) move(s, s.x_mm + way[0]!, s.y_mm + way[1]!);
                  else if (e.key === "Enter" || e.key === " ") hand.pick("panel", s.id);
                  else return;
                  e.preventDefault();
                }}
              >
                <title>{name}</title>
                <Outline
                  size={s.front_mm}
                  fill={on ? "color-mix(in srgb, var(--color-gorse) 30%, var(--color-sheet))" : "var(--color-bench)"}
                  stroke={s.wrong ? "var(--color-rust)" : on ? "var(--color-gorse)" : "currentColor"}
                  strokeWidth={s.wrong || on ? 0.9 : 0.4}
                />
                <Outline size={s.cut_mm} fill="none" stroke="currentColor" strokeWidth="0.3" strokeDasharray="1.2 1" />
                {s.circuit_code && (
                  <text y="1.2" textAnchor="middle" fontSize={TEXT} className="num" fill="currentColor">
                    {s.circuit_code}
                  </text>
                )}
              </g>
              {s.lines.map((line, n) => (
                <text key={line} aria-hidden="true" y={s.y_mm - s.label_y_mm + n * 3} textAnchor="middle" fontSize="2.7" fill="currentColor">
                  {line}
                </text>
              ))}
            </g>
          );
        })}
      </svg>
      <p className="m-0 pb-1 text-[11px] text-dim">{say(says("scale-full-line-front"), "wiring")}</p>
    </div>
  );
}

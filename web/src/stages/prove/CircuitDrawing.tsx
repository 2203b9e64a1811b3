/** A circuit drawn in a ring: plus above from the bank to the load, minus below on the way back; its points can be probed. Pipes are drawn in a row. */
import { pressed } from "../../pictures/pressed";
import { says } from "../../words/prove";
import type { Finder } from "./data";

type Node = Finder["nodes"][number];
type Element = Finder["elements"][number];
type Props = {
  nodes: Node[];
  elements: Element[];
  /** Part of the doubt on each element, 0 to 1. */
  doubt?: Record<string, number>;
  red?: string;
  black?: string;
  /** Elements that are open: a switch that is off, a fuse that is out. */
  open?: string[];
  onNode?: (id: string) => void;
  onElement?: (id: string) => void;
  label: string;
};
const W = 900;
const TOP = 62;
const BOTTOM = 178;
const LEFT = 60;
const RIGHT = 850;

type Spot = { x: number; y: number };

/** Where the nodes stand. */
export function layOut(nodes: Node[], elements: Element[]): { at: Map<string, Spot>; ring: boolean } {
  const at = new Map<string, Spot>();
  const load = elements.findIndex((e) => e.kind === "load");
  const chain = elements.filter((e) => e.kind !== "source");
  if (load < 0) {
    const ids = [...new Set(chain.flatMap((e) => [e.a, e.b]))];
    ids.forEach((id, i) => {
      at.set(id, { x: LEFT + ((RIGHT - LEFT) * i) / Math.max(1, ids.length - 1), y: 110 });
    });
    return { at, ring: false };
  }
  const out = elements.slice(0, load).filter((e) => e.kind !== "source");
  const back = elements.slice(load + 1);
  const above = [...new Set(out.flatMap((e) => [e.a, e.b]))];
  const below = [...new Set(back.flatMap((e) => [e.a, e.b]))];
  above.forEach((id, i) => {
    at.set(id, { x: LEFT + ((RIGHT - LEFT) * i) / Math.max(1, above.length - 1), y: TOP });
  });
  below.forEach((id, i) => {
    at.set(id, { x: RIGHT - ((RIGHT - LEFT) * i) / Math.max(1, below.length - 1), y: BOTTOM });
  });
  for (const n of nodes) if (!at.has(n.id)) at.set(n.id, { x: W / 2, y: 110 });
  return { at, ring: true };
}

function Part({ e, p, q, doubt, open, onClick }: { e: Element; p: Spot; q: Spot; doubt: number; open: boolean; onClick?: () => void }) {
  const mx = (p.x + q.x) / 2;
  const my = (p.y + q.y) / 2;
  const upright = Math.abs(p.x - q.x) < 5;
  const colour = doubt > 0.02 ? "var(--color-rust)" : "var(--color-peat)";
  const minus = p.y === BOTTOM && q.y === BOTTOM;
  return (
    <g
      className={onClick ? "cursor-pointer" : undefined}
      role={onClick ? "button" : undefined}
      tabIndex={onClick ? 0 : undefined}
      aria-label={onClick ? e.name : undefined}
      onClick={onClick}
      onKeyDown={(k) => pressed(k, onClick)}
    >
      <line x1={p.x} y1={p.y} x2={q.x} y2={q.y} stroke={colour} strokeWidth={1.6 + 6 * doubt} strokeDasharray={minus ? "7 3" : undefined} />
      {e.kind === "fuse" && (
        <rect
          x={mx - 15}
          y={open ? my - 20 : my - 6}
          width="30"
          height="12"
          fill="var(--color-sheet)"
          stroke={colour}
          strokeWidth="1.6"
          strokeDasharray={open ? "3 2" : undefined}
        />
      )}
      {e.kind === "switch" && (
        <>
          <rect x={mx - 14} y={my - 12} width="28" height="15" fill="var(--color-sheet)" />
          <path
            d={open ? `M${mx - 14} ${my}h4l18 -10M${mx + 10} ${my}h4` : `M${mx - 14} ${my}h4l20 -2M${mx + 10} ${my}h4`}
            stroke={colour}
            strokeWidth="1.8"
            fill="none"
          />
        </>
      )}
      {e.kind === "load" && <rect x={mx - 17} y={my - 20} width="34" height="40" fill="var(--color-sheet)" stroke={colour} strokeWidth="2" />}
      {e.kind === "source" && (
        <>
          <rect x={mx - 12} y={my - 14} width="24" height="28" fill="var(--color-sheet)" />
          <path d={`M${mx - 12} ${my - 6}h24M${mx - 6} ${my + 2}h12M${mx - 12} ${my + 8}h24`} stroke={colour} strokeWidth="1.8" />
        </>
      )}
      <text
        x={upright ? (mx > W / 2 ? mx - 24 : mx + 20) : mx}
        y={upright ? my + 4 : my === TOP ? my + 24 : my - 14}
        fontSize="12"
        textAnchor={upright ? (mx > W / 2 ? "end" : "start") : "middle"}
        fill={colour}
      >
        {e.name.length > 20 ? `${e.name.slice(0, 19)}…` : e.name}
      </text>
      {e.text && (
        <text
          x={mx}
          y={upright ? my + 19 : my === TOP ? my + 38 : my - 28}
          fontSize="11"
          textAnchor="middle"
          className="num"
          fill="var(--color-dim)"
          opacity={upright ? 0 : 1}
        >
          {e.text}
        </text>
      )}
    </g>
  );
}

export function CircuitDrawing({ nodes, elements, doubt = {}, red, black, open = [], onNode, onElement, label }: Props) {
  const { at } = layOut(nodes, elements);
  return (
    <svg viewBox={`0 0 ${W} 240`} className="block h-full max-h-[20rem] min-h-[11rem] w-full" role="group" aria-label={label}>
      {elements.map((e) => {
        const p = at.get(e.a);
        const q = at.get(e.b);
        return p && q ? (
          <Part key={e.id} e={e} p={p} q={q} doubt={doubt[e.id] ?? 0} open={open.includes(e.id)} onClick={onElement ? () => onElement(e.id) : undefined} />
        ) : null;
      })}
      {nodes.map((n) => {
        const s = at.get(n.id);
        if (!s) return null;
        const probe = red === n.id ? "red" : black === n.id ? "black" : null;
        const words = n.name.split(" ");
        const up = s.y <= TOP;
        return (
          <g
            key={n.id}
            className={onNode ? "cursor-pointer" : undefined}
            role={onNode ? "button" : "img"}
            tabIndex={onNode ? 0 : undefined}
            aria-label={probe ? says("r-b-probe", { is_red: probe === "red", name: n.name }) : n.name}
            onClick={onNode ? () => onNode(n.id) : undefined}
            onKeyDown={(k) => pressed(k, onNode && (() => onNode(n.id)))}
          >
            <circle cx={s.x} cy={s.y} r={onNode ? 14 : 9} fill="transparent" />
            <circle
              cx={s.x}
              cy={s.y}
              r={probe ? 8 : 4.5}
              fill={probe === "red" ? "var(--color-rust)" : probe === "black" ? "var(--color-peat)" : "var(--color-sheet)"}
              stroke="var(--color-peat)"
              strokeWidth="1.6"
            />
            {probe && (
              <text x={s.x} y={s.y + 4} fontSize="11" fontWeight="700" textAnchor="middle" fill="var(--color-sheet)" aria-hidden="true">
                {probe === "red" ? "R " : "B "}
              </text>
            )}
            <text x={s.x} y={up ? s.y - 28 : s.y + 24} fontSize="11" textAnchor="middle" fill="var(--color-dim)" aria-hidden="true">
              {words.length > 2 ? (
                <>
                  <tspan x={s.x}>{words.slice(0, Math.ceil(words.length / 2)).join(" ")} </tspan>
                  <tspan x={s.x} dy="12">
                    {words.slice(Math.ceil(words.length / 2)).join(" ")}
                  </tspan>
                </>
              ) : (
                n.name
              )}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

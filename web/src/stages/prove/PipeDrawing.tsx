/** Pipes as a tree from the store to the outlets: what is shut, where the gauge stands. Valves, outlets and the gauge are set by mouse or by keys. */
import { pressed } from "../../pictures/pressed";
import { useSaid } from "../../shell/person";
import { says } from "../../words/prove";
import type { Finder } from "./data";

type Node = Finder["nodes"][number];
type Element = Finder["elements"][number];
type Spot = { x: number; y: number };
const W = 900;
const H = 260;

/** Where each end stands: its steps from the store across, its place among the outlets down. */
export function spread(nodes: Node[], elements: Element[]): Map<string, Spot> {
  const children = new Map<string, string[]>();
  for (const e of elements) children.set(e.a, [...(children.get(e.a) ?? []), e.b]);
  const depth = new Map<string, number>();
  const row = new Map<string, number>();
  let rows = 0;
  const walk = (id: string, d: number): number => {
    depth.set(id, d);
    const below = children.get(id) ?? [];
    const at = below.length === 0 ? rows++ : below.map((c) => walk(c, d + 1)).reduce((a, b) => a + b, 0) / below.length;
    row.set(id, at);
    return at;
  };
  const root = nodes.find((n) => !elements.some((e) => e.b === n.id));
  if (root) walk(root.id, 0);
  const deepest = Math.max(1, ...depth.values());
  return new Map(
    [...depth].map(([id, d]) => [id, { x: 50 + ((W - 160) * d) / deepest, y: rows === 1 ? H / 2 : 34 + ((H - 68) * (row.get(id) ?? 0)) / (rows - 1) }]),
  );
}

/** What an element does to the sheet around it: a mark of its kind. */
function Mark({ e, x, y, shut }: { e: Element; x: number; y: number; shut: boolean }) {
  const stroke = shut ? "var(--color-rust)" : "var(--color-peat)";
  const fill = shut ? "var(--color-rust)" : "var(--color-sheet)";
  if (e.kind === "valve") return <path d={`M${x - 11} ${y - 7}v14l22 -14v14z`} fill={fill} stroke={stroke} strokeWidth="1.6" />;
  if (e.kind === "pump")
    return <path d={`M${x - 12} ${y}a12 12 0 1 0 24 0a12 12 0 1 0 -24 0M${x - 5} ${y - 7}l12 7l-12 7z`} fill={fill} stroke={stroke} strokeWidth="1.6" />;
  if (e.kind === "bottle") return <path d={`M${x - 9} ${y + 14}v-20a9 9 0 0 1 18 0v20z`} fill={fill} stroke={stroke} strokeWidth="1.6" />;
  if (e.kind === "strainer")
    return <path d={`M${x - 10} ${y - 9}h20v18h-20zM${x - 10} ${y + 9}l20 -18`} fill={fill} stroke={stroke} strokeWidth="1.6" strokeDasharray="3 2" />;
  if (e.kind === "regulator") return <path d={`M${x - 11} ${y + 8}a11 14 0 0 1 22 0z`} fill={fill} stroke={stroke} strokeWidth="1.6" />;
  return null;
}

type Props = {
  nodes: Node[];
  elements: Element[];
  /** Parts that are off or shut. */
  shut: string[];
  /** Points that the gauge can be read at, and where it stands. */
  probed: string[];
  gauge: string;
  onGauge: (id: string) => void;
  /** What a press on a part turns, if it can be turned. */
  onPart: (e: Element) => (() => void) | undefined;
  label: string;
};

const cut = (text: string, most: number) => (text.length > most ? `${text.slice(0, most - 1)}…` : text);

export function PipeDrawing({ nodes, elements, shut, probed, gauge, onGauge, onPart, label }: Props) {
  const at = spread(nodes, elements);
  const say = useSaid();
  return (
    <svg viewBox={`0 0 ${W} ${H}`} className="block h-full max-h-[20rem] min-h-[11rem] w-full" role="group" aria-label={label}>
      {elements.map((e) => {
        const p = at.get(e.a);
        const q = at.get(e.b);
        return p && q ? (
          <path key={e.id} d={`M${p.x} ${p.y}H${(p.x + q.x) / 2 - 14}V${q.y}H${q.x}`} fill="none" stroke="var(--color-peat)" strokeWidth="1.6" />
        ) : null;
      })}
      {elements.map((e) => {
        const p = at.get(e.a);
        const q = at.get(e.b);
        if (!p || !q) return null;
        const off = shut.includes(e.id);
        const turn = onPart(e);
        const end = e.kind === "tap" || e.kind === "burner";
        const mx = (p.x + q.x) / 2 + 8;
        return (
          <g
            key={e.id}
            className={turn ? "cursor-pointer" : undefined}
            role={turn ? "button" : "img"}
            tabIndex={turn ? 0 : undefined}
            aria-label={says("shut-open", { name: say(e.name), has_turn: Boolean(turn), off })}
            onClick={turn}
            onKeyDown={(k) => pressed(k, turn)}
          >
            {end ? (
              <>
                <circle cx={q.x} cy={q.y} r="14" fill="transparent" />
                <path
                  d={
                    e.kind === "tap"
                      ? `M${q.x - 2} ${q.y}h14v11M${q.x + 5} ${q.y}v-8M${q.x - 2} ${q.y - 8}h14`
                      : `M${q.x - 8} ${q.y + 4}h16M${q.x - 5} ${q.y + 8}h10`
                  }
                  fill="none"
                  stroke={off ? "var(--color-dim)" : "var(--color-moss)"}
                  strokeWidth="2"
                />
                {!off && e.kind === "burner" && (
                  <path d={`M${q.x} ${q.y - 12}q7 8 0 13q-7 -5 0 -13`} fill="var(--color-gorse)" stroke="var(--color-peat)" strokeWidth="1" />
                )}
                {!off && e.kind === "tap" && <path d={`M${q.x + 12} ${q.y + 14}v12`} stroke="var(--color-moss)" strokeWidth="2" strokeDasharray="3 3" />}
                <text x={q.x + 20} y={q.y + 4} fontSize="12" fill="var(--color-peat)">
                  {cut(say(e.name), 13)}
                </text>
              </>
            ) : (
              <>
                <circle cx={mx} cy={q.y} r="15" fill="transparent" />
                <Mark e={e} x={mx} y={q.y} shut={off} />
                <text x={mx} y={q.y > p.y + 1 ? q.y + 24 : q.y - 16} fontSize="11" textAnchor="middle" fill="var(--color-dim)">
                  {cut(say(e.name), 18)}
                </text>
              </>
            )}
          </g>
        );
      })}
      {nodes.map((n) => {
        const s = at.get(n.id);
        if (!s || !probed.includes(n.id)) return null;
        const here = gauge === n.id;
        return (
          <g
            key={n.id}
            className="cursor-pointer"
            role="button"
            tabIndex={0}
            aria-label={says("gauge-here", { name: say(n.name), here })}
            onClick={() => onGauge(n.id)}
            onKeyDown={(k) => pressed(k, () => onGauge(n.id))}
          >
            <circle cx={s.x} cy={s.y} r="14" fill="transparent" />
            <circle cx={s.x} cy={s.y} r={here ? 9 : 4.5} fill="var(--color-sheet)" stroke="var(--color-peat)" strokeWidth="1.6" />
            {here && <path d={`M${s.x} ${s.y}l5 -5`} stroke="var(--color-rust)" strokeWidth="2" />}
          </g>
        );
      })}
      {nodes[0] && (
        <text x={at.get(nodes[0].id)?.x} y={(at.get(nodes[0].id)?.y ?? 0) + 24} fontSize="12" textAnchor="middle" fill="var(--color-peat)">
          {say(nodes[0].name)}
        </text>
      )}
    </svg>
  );
}

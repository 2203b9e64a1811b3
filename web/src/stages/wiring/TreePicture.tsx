/** The distribution tree, laid out by the core: bank and sources, busbar, boards, circuits. Pressing takes into the hand. */
import { useState } from "react";
import type { Design, Report } from "../../data/client";
import { concerns, isOpen } from "../../data/findings";
import { useVariant } from "../../data/variant";
import { FindingMark, type Severity } from "../../parts/Findings";
import { SERVICES } from "../../pictures/services";
import { type HandKind, useHand } from "../../shell/hand";

const cut = (text: string, room: number, size: number) => {
  const most = Math.max(3, Math.floor(room / (size * 0.54)));
  return text.length <= most ? text : `${text.slice(0, most - 1)}…`;
};

function handOf(ref: string): { kind: HandKind; id: string } | null {
  const [kind, id] = ref.split(":");
  if ((kind === "circuit" || kind === "board" || kind === "power") && id) return { kind, id };
  return null;
}

/** What lies on the way of a circuit from the battery post to its end: cables, boards, bank. */
export function wayOf(report: Report, design: Design, id: string): Set<string> {
  const way = report.wiring.circuits[id]?.way ?? [];
  const out = new Set(way.map((c) => `circuit:${c}`));
  for (const c of design.wiring?.circuits ?? []) {
    if (!way.includes(c.id)) continue;
    if (c.board) out.add(`board:${c.board}`);
    if (c.kind === "main") out.add("power:bank");
    if (c.kind === "inverter") out.add("power:inverter");
  }
  return out;
}

export function TreePicture() {
  const { report, design } = useVariant();
  const hand = useHand();
  const [scale, setScale] = useState(1);
  const { tree } = report.wiring;
  const worst = (ref: string): Severity | null => {
    const subject = ref.split(":")[1];
    const f = report.findings.find((x) => concerns(x, subject ?? "") && x.severity !== "note" && isOpen(x));
    return f ? (f.severity as Severity) : null;
  };
  const on = (ref: string) => hand.key !== "" && ref === hand.key;
  const followed = hand.kind === "circuit" ? wayOf(report, design, hand.id) : new Set<string>();
  const press = (ref: string) => {
    const h = handOf(ref);
    if (h) hand.pick(h.kind, h.id);
  };
  return (
    <div className="px-2 pt-1">
      <div className="no-print float-right flex gap-1">
        <button type="button" className="btn px-2 py-0" aria-label="Smaller" disabled={scale <= 1} onClick={() => setScale(Math.max(1, scale - 0.5))}>
          −
        </button>
        <button type="button" className="btn px-2 py-0" aria-label="Larger" disabled={scale >= 3} onClick={() => setScale(Math.min(3, scale + 0.5))}>
          +
        </button>
      </div>
      <svg
        viewBox={`0 0 ${tree.width} ${tree.height}`}
        className="block min-w-[760px]"
        style={{ width: `${100 * scale}%` }}
        role="group"
        aria-label={`Distribution tree, ${tree.nodes.length} parts; the ledger below lists the same`}
      >
        {tree.lines.map((l) => {
          const service = SERVICES[l.service];
          const [x = 0, y = 0] = l.points[0] ?? [];
          const lit = on(l.ref);
          const way = followed.has(l.ref);
          return (
            <g key={l.id} className="cursor-pointer" onClick={() => press(l.ref)}>
              <polyline points={l.points.map((p) => p.join(",")).join(" ")} fill="none" stroke="transparent" strokeWidth="14" />
              <polyline
                points={l.points.map((p) => p.join(",")).join(" ")}
                fill="none"
                stroke={lit || way ? "var(--color-gorse)" : service.colour}
                strokeWidth={lit ? 3.6 : way ? 2.6 : 1.5}
                data-way={way || undefined}
                strokeDasharray={service.dash}
              />
              {l.fused && <path d={`M${x + 2} ${y - 5}v10M${x + 5} ${y - 5}v10`} stroke="currentColor" strokeWidth="1.4" />}
              <text x={l.label_x} y={l.label_y} fontSize="9.5" className="num" fill={l.fused ? "currentColor" : "var(--color-rust)"}>
                {l.label}
              </text>
            </g>
          );
        })}
        {tree.nodes.map((n) => {
          const target = handOf(n.ref);
          const mark = worst(n.ref);
          if (n.kind === "bus")
            return (
              <g key={n.id}>
                <title>{`${n.title}, ${n.sub}`}</title>
                <rect x={n.x} y={n.y} width={n.w} height={n.h} fill="currentColor" />
              </g>
            );
          const one = n.kind === "circuit";
          const middle = n.y + n.h / 2;
          const room = n.w - 12 - (mark ? 18 : 0);
          return (
            <g
              key={n.id}
              role={target ? "button" : undefined}
              tabIndex={target ? 0 : undefined}
              className={target ? "cursor-pointer" : ""}
              onClick={() => press(n.ref)}
              onKeyDown={(e) => {
                if (e.key === "Enter" || e.key === " ") {
                  e.preventDefault();
                  press(n.ref);
                }
              }}
            >
              <title>{`${n.title}, ${n.sub}${mark ? `, ${mark}` : ""}`}</title>
              <rect
                x={n.x}
                y={n.y}
                width={n.w}
                height={n.h}
                fill={on(n.ref) ? "color-mix(in srgb, var(--color-gorse) 30%, var(--color-sheet))" : "var(--color-sheet)"}
                stroke={on(n.ref) || followed.has(n.ref) ? "var(--color-gorse)" : "currentColor"}
                strokeWidth={n.kind === "circuit" ? 0.8 : 1.4}
              />
              <text aria-hidden="true" x={n.x + 6} y={one ? n.y + 10.5 : middle - 3} fontSize={one ? 10.5 : 12} fontWeight="600" fill="currentColor">
                {cut(n.title, room, one ? 10.5 : 12)}
              </text>
              <text aria-hidden="true" x={n.x + 6} y={one ? n.y + 21 : middle + 12} fontSize="9.5" fill="var(--color-dim)">
                {cut(n.sub, room, 9.5)}
              </text>
              {mark && (
                <svg x={n.x + n.w - 18} y={middle - 8} width="16" height="16" viewBox="0 0 16 16">
                  <FindingMark severity={mark} />
                </svg>
              )}
            </g>
          );
        })}
      </svg>
      <p className="m-0 pb-1 text-[11px] text-dim">
        Solid: {SERVICES.dc.word} ({SERVICES.dc.tag}). Long dashes: {SERVICES.ac.word} ({SERVICES.ac.tag}), licensed work. Double bar: fuse or breaker.
      </p>
    </div>
  );
}

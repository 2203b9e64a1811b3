/** The single-line diagram, laid out by the core. Pressing takes into the hand; a circuit in the hand is followed there and back. */

import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { api, type Design, type Report, type Schemas, take } from "../../data/client";
import { concerns, isOpen } from "../../data/findings";
import { useVariant } from "../../data/variant";
import { FindingMark, type Severity } from "../../parts/Findings";
import { LightMark } from "../../pictures/LightMark";
import { type Light, useLit } from "../../pictures/lit";
import { MARKS } from "../../pictures/marks";
import { SERVICES } from "../../pictures/services";
import { type HandKind, useHand } from "../../shell/hand";
import { useSaid } from "../../shell/person";
import { says } from "../../words/wiring";
import { useFolds } from "./folds";

type Diagram = Schemas["Diagram"];
type Node = Schemas["DiagramNode"];
type Line = Schemas["DiagramLine"];
type Mark = Schemas["DiagramMark"];

const LINES: Record<Line["service"], { dash: string; colour: string; width: number }> = {
  dc: { ...SERVICES.dc, width: 1.6 },
  ac: { ...SERVICES.ac, width: 1.6 },
  return: { dash: "2 2", colour: SERVICES.dc.colour, width: 1 },
  earth: { dash: "1 2", colour: SERVICES.dc.colour, width: 1.2 },
};

const cut = (text: string, room: number, size: number) => {
  const most = Math.max(3, Math.floor(room / (size * 0.54)));
  return text.length <= most ? text : `${text.slice(0, most - 1)}…`;
};

/** A title on one line, or on two where the box is high enough for it. */
function lines(text: string, room: number, size: number, two: boolean): string[] {
  const most = Math.max(3, Math.floor(room / (size * 0.54)));
  const at = text.lastIndexOf(" ", most);
  return !two || text.length <= most || at <= 0 ? [cut(text, room, size)] : [text.slice(0, at), cut(text.slice(at + 1), room, size)];
}

function handOf(ref: string): { kind: HandKind; id: string } | null {
  const [kind, id] = ref.split(":");
  if ((kind === "circuit" || kind === "board" || kind === "power" || kind === "array") && id) return { kind, id };
  return null;
}

/** What lies on the way of a circuit from the battery post to its end and back: cables, returns, boards, bank. */
export function wayOf(report: Report, design: Design, id: string): Set<string> {
  const way = report.wiring.circuits[id]?.way ?? [];
  const out = new Set(way.flatMap((c) => [`circuit:${c}`, `return:${c}`]));
  for (const c of design.wiring?.circuits ?? []) {
    if (!way.includes(c.id)) continue;
    if (c.board) out.add(`board:${c.board}`);
    if (c.kind === "main") out.add("power:bank");
    if (c.kind === "inverter") out.add("power:inverter");
  }
  return out;
}

export function useDiagram(folded: string[] = []) {
  const { id, revision } = useVariant();
  return useQuery({
    queryKey: ["diagram", id, revision, folded],
    queryFn: () => take(api.GET("/api/variants/{variant_id}/diagram", { params: { path: { variant_id: id }, query: { revision, fold: folded } } })),
    placeholderData: keepPreviousData,
  });
}

function LineShape({ l, lit, way, light, onPress }: { l: Line; lit: boolean; way: boolean; light?: Light; onPress: () => void }) {
  const look = LINES[l.service];
  const [x = 0, y = 0] = l.points[0] ?? [];
  const points = l.points.map((p) => p.join(",")).join(" ");
  const back = l.service === "return";
  return (
    <g className="cursor-pointer" onClick={onPress}>
      <polyline points={points} fill="none" stroke="transparent" strokeWidth="12" />
      <polyline
        points={points}
        fill="none"
        stroke={lit || way ? "var(--color-gorse)" : (light?.colour ?? look.colour)}
        strokeWidth={lit ? 3.6 : way ? 2.8 : look.width}
        strokeDasharray={look.dash}
        data-way={way || undefined}
        data-service={l.service}
      />
      {l.label && (
        <text x={x + (back ? 3 : 12)} y={y - 3.5} fontSize={back ? 8.5 : 9.8} fill={l.bare ? "var(--color-rust)" : "currentColor"}>
          {l.label}
        </text>
      )}
      {l.flow && (
        <text x={x + 12} y={y + 10} fontSize="9" fill="var(--color-dim)">
          {l.flow}
        </text>
      )}
    </g>
  );
}

function MarkShape({ m }: { m: Mark }) {
  const { path, letters, ring, square } = MARKS[m.kind];
  return (
    <g transform={`translate(${m.x} ${m.y})`} stroke="currentColor" strokeWidth="1.3" fill="none">
      <title>{m.title}</title>
      {letters && <rect x="-9" y="-7" width="18" height="14" fill="var(--color-sheet)" />}
      {ring && <circle r="4" fill="var(--color-sheet)" />}
      {square && <rect x="-4" y="-4" width="8" height="8" fill="var(--color-sheet)" />}
      {path && <path d={path} />}
      {letters && (
        <text y="3.2" fontSize="8.5" fontWeight="600" textAnchor="middle" fill="currentColor" stroke="none">
          {letters}
        </text>
      )}
    </g>
  );
}

type BoxProps = { n: Node; on: boolean; way: boolean; mark: Severity | null; light?: Light; folds: boolean; onPress?: () => void; onFold: () => void };

function Box({ n, on, way, mark, light, folds, onPress, onFold }: BoxProps) {
  const one = n.kind === "circuit" || n.kind === "folded";
  const middle = n.y + n.h / 2;
  const room = n.w - 10 - (mark ? 18 : 0) - (n.note ? 34 : 0) - (folds ? 16 : 0);
  const titles = lines(n.title, room, one ? 11 : 12, !one);
  const box = useRef<SVGGElement>(null);
  useEffect(() => {
    if (on) box.current?.scrollIntoView?.({ block: "nearest", inline: "nearest" });
  }, [on]);
  const keys = (run: () => void) => (e: React.KeyboardEvent) => {
    if (e.key !== "Enter" && e.key !== " ") return;
    e.preventDefault();
    run();
  };
  return (
    <>
      <g
        ref={box}
        role={onPress ? "button" : undefined}
        tabIndex={onPress ? 0 : undefined}
        className={onPress ? "cursor-pointer" : ""}
        onClick={onPress}
        onKeyDown={onPress && keys(onPress)}
      >
        <title>{[n.title, n.sub, n.note, mark, light?.word].filter(Boolean).join(", ")}</title>
        <rect
          x={n.x}
          y={n.y}
          width={n.w}
          height={n.h}
          fill={on ? "color-mix(in srgb, var(--color-gorse) 30%, var(--color-sheet))" : "var(--color-sheet)"}
          stroke={on || way ? "var(--color-gorse)" : (light?.colour ?? "currentColor")}
          strokeWidth={way || light ? 2 : one ? 0.8 : 1.4}
          strokeDasharray={n.kind === "folded" ? "5 2" : undefined}
        />
        {titles.map((t, i) => (
          <text
            key={t}
            aria-hidden="true"
            x={n.x + 5}
            y={one ? n.y + 10.5 : middle - 3 + 12 * i - 6 * (titles.length - 1)}
            fontSize={one ? 11 : 12}
            fontWeight="600"
            fill="currentColor"
          >
            {t}
          </text>
        ))}
        <text aria-hidden="true" x={n.x + 5} y={one ? n.y + 21 : middle + 12 + 5 * (titles.length - 1)} fontSize="10" fill="var(--color-dim)">
          {cut(n.sub, n.w - 10, 10)}
        </text>
        {n.note && (
          <text aria-hidden="true" x={n.x + n.w - 5 - (mark ? 18 : 0)} y={n.y + 10.5} fontSize="10" textAnchor="end" fill="currentColor">
            {n.note}
          </text>
        )}
        {light && <LightMark x={n.x} y={n.y + n.h / 2} light={light} />}
        {mark && (
          <svg x={n.x + n.w - 18} y={one ? n.y + 4 : middle - 8} width="16" height="16" viewBox="0 0 16 16">
            <FindingMark severity={mark} />
          </svg>
        )}
      </g>
      {folds && (
        <g
          role="button"
          tabIndex={0}
          className="no-print cursor-pointer"
          aria-label={says("fold", { title: n.title })}
          onClick={onFold}
          onKeyDown={keys(onFold)}
        >
          <rect x={n.x + n.w - 17} y={n.y + n.h - 17} width="14" height="14" fill="var(--color-sheet)" stroke="currentColor" strokeWidth="0.8" />
          <path d={`M${n.x + n.w - 13} ${n.y + n.h - 10}h6`} stroke="currentColor" strokeWidth="1.4" />
        </g>
      )}
    </>
  );
}

/** The picture itself; on paper without folds. */
export function DiagramShape({ d, scale = 1 }: { d: Diagram; scale?: number }) {
  const { report, design } = useVariant();
  const hand = useHand();
  const folds = useFolds();
  const shown = useLit();
  const worst = (ref: string): Severity | null => {
    const subject = ref.startsWith("array:") ? ref : (ref.split(":")[1] ?? "");
    if (shown) return null;
    const f = report.findings.find((x) => concerns(x, subject) && x.severity !== "note" && isOpen(x));
    return f ? (f.severity as Severity) : null;
  };
  const held = shown ? shown.held : hand.key;
  const on = (ref: string) => held !== "" && ref === held;
  const followed = hand.kind === "circuit" ? wayOf(report, design, hand.id) : new Set<string>();
  const press = (ref: string) => {
    if (shown) return shown.press(ref.replace(/^return:/, "circuit:"));
    const h = handOf(ref.replace(/^return:/, "circuit:"));
    if (h) hand.pick(h.kind, h.id);
  };
  return (
    <svg
      viewBox={`0 0 ${d.width} ${d.height}`}
      className="block"
      style={{ width: `${100 * scale}%`, minWidth: Math.round(0.7 * scale * d.width) }}
      role="group"
      aria-label={says("single-line-diagram-parts", { nodes_count: d.nodes.length })}
    >
      {d.lines.map((l) => (
        <LineShape key={l.id} l={l} lit={on(l.ref)} way={followed.has(l.ref)} light={shown?.of(l.ref)} onPress={() => press(l.ref)} />
      ))}
      {d.nodes.map((n) => {
        if (n.kind === "bus" || n.kind === "negative")
          return (
            <g key={n.id}>
              <title>{`${n.title} ${n.sub}`}</title>
              <rect x={n.x} y={n.y} width={n.w} height={n.h} fill={n.kind === "bus" ? "currentColor" : "var(--color-sheet)"} stroke="currentColor" />
            </g>
          );
        const target = n.kind === "folded" || handOf(n.ref);
        const foldable = (n.kind === "board" || n.kind === "inverter") && !d.folded.includes(n.ref) && n.h > 44;
        return (
          <Box
            key={n.id}
            n={n}
            on={on(n.ref)}
            way={followed.has(n.ref)}
            light={shown?.of(n.ref)}
            mark={n.kind === "origin" || n.kind === "folded" ? null : worst(n.ref)}
            folds={foldable}
            onPress={target ? () => (n.kind === "folded" ? folds.toggle(n.ref) : press(n.ref)) : undefined}
            onFold={() => folds.toggle(n.ref)}
          />
        );
      })}
      {d.marks.map((m) => (
        <MarkShape key={m.id} m={m} />
      ))}
    </svg>
  );
}

export function DiagramPicture() {
  const say = useSaid();
  const { id } = useVariant();
  const folds = useFolds();
  const [scale, setScale] = useState(1);
  const found = useDiagram(folds.folded);
  if (found.error && !found.data) return <p role="alert">{says("diagram-could-not-drawn", { message: found.error.message })}</p>;
  if (!found.data) return <p role="status">{says("drawing-diagram")}</p>;
  const boards = found.data.nodes.filter((n) => n.kind === "board").map((n) => n.ref);
  return (
    <div className={`px-2 pt-1 ${found.isPlaceholderData ? "opacity-60" : ""}`} data-drawn={!found.isPlaceholderData || undefined} data-variant={id}>
      <div className="no-print sticky left-0 float-right">
        <span className="flex gap-1">
          <button
            type="button"
            className="btn px-2 py-0"
            onClick={() => folds.set(folds.folded.length ? [] : [...new Set(boards)])}
            disabled={!boards.length && !folds.folded.length}
          >
            {folds.folded.length ? says("unfold") : says("fold-2")}
          </button>
          <button type="button" className="btn px-2 py-0" aria-label={says("smaller")} disabled={scale <= 1} onClick={() => setScale(Math.max(1, scale - 0.5))}>
            −
          </button>
          <button type="button" className="btn px-2 py-0" aria-label={says("larger")} disabled={scale >= 3} onClick={() => setScale(Math.min(3, scale + 0.5))}>
            +
          </button>
        </span>
      </div>
      <DiagramShape d={found.data} scale={scale} />
      <p className="sticky left-0 m-0 py-1 text-[11px] text-dim">{say(says("solid-positive-dotted-return"), "wiring")}</p>
    </div>
  );
}

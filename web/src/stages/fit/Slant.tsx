/** The vehicle seen slantwise, turned in quarters. */

import { says } from "../../words/fit";
import { FILL, points } from "./frame";
import { type Box, slanted } from "./geometry";
import type { SceneProps } from "./Scene";

/** All of it seen slantwise, turned in quarters. */
export function Slant({ body, things, selected, turn, onPick }: Pick<SceneProps, "body" | "things" | "selected" | "onPick"> & { turn: number }) {
  const s = body.stations;
  const at = Math.min(1, body.levels.length - 1);
  const floor: [number, number, number][] = [
    ...s.map((q) => [q.x, q.left[0]!, 0] as [number, number, number]),
    ...[...s].reverse().map((q) => [q.x, -q.right[0]!, 0] as [number, number, number]),
  ];
  const rim: [number, number, number][] = [
    ...s.map((q) => [q.x, q.left[at]!, q.height] as [number, number, number]),
    ...[...s].reverse().map((q) => [q.x, -q.right[at]!, q.height] as [number, number, number]),
  ];
  const put = (list: [number, number, number][]) => list.map(([x, y, z]) => slanted(x, y, z, turn));
  const all = [
    ...put(floor),
    ...put(rim),
    ...things.flatMap((t) =>
      t.box ? put([corner(t.box as Box, 0, 0, 0), corner(t.box as Box, 1, 1, 1), corner(t.box as Box, 0, 1, 1), corner(t.box as Box, 1, 0, 0)]) : [],
    ),
  ];
  const us = all.map((q) => q[0]);
  const vs = all.map((q) => q[1]);
  const [u0, u1, v0, v1] = [Math.min(...us) - 0.1, Math.max(...us) + 0.1, Math.min(...vs) - 0.1, Math.max(...vs) + 0.1];
  // which sides of a box are seen: those towards the onlooker
  const towards = [
    [0, 1],
    [0, 0],
    [1, 0],
    [1, 1],
  ][turn % 4] as [number, number];
  const depth = (b: Box) => {
    const [, v] = slanted((b[0] + b[1]) / 2, (b[2] + b[3]) / 2, 0, turn);
    return v + b[4] * 0.01;
  };
  const drawn = things
    .filter((t) => t.box && !t.small && t.kind !== "removed")
    .sort((a, b) => depth(a.box as Box) - depth(b.box as Box) || (a.box as Box)[4] - (b.box as Box)[4]);
  return (
    <svg
      viewBox={`${u0} ${v0} ${u1 - u0} ${v1 - v0}`}
      className="block h-full w-full text-peat"
      preserveAspectRatio="xMidYMid meet"
      role="group"
      aria-label={says("vehicle-seen-slantwise")}
    >
      <polygon points={points(put(floor))} fill="none" stroke="currentColor" strokeWidth="0.018" />
      <polygon points={points(put(rim))} fill="none" stroke="currentColor" strokeWidth="0.008" strokeDasharray="0.06 0.05" />
      {s.map((q) => (
        <g key={q.x} stroke="currentColor" strokeWidth="0.006" strokeDasharray="0.06 0.05">
          {[
            put([
              [q.x, q.left[0]!, 0],
              [q.x, q.left[at]!, q.height],
            ]),
            put([
              [q.x, -q.right[0]!, 0],
              [q.x, -q.right[at]!, q.height],
            ]),
          ].map((w) => (
            <line key={w[0]![0]} x1={w[0]![0]} y1={w[0]![1]} x2={w[1]![0]} y2={w[1]![1]} />
          ))}
        </g>
      ))}
      {drawn.map((t) => {
        const b = t.box as Box;
        const on = t.key === selected;
        const [i, j] = towards;
        const top = put([corner(b, 0, 0, 1), corner(b, 1, 0, 1), corner(b, 1, 1, 1), corner(b, 0, 1, 1)]);
        const end = put([corner(b, i, 0, 0), corner(b, i, 1, 0), corner(b, i, 1, 1), corner(b, i, 0, 1)]);
        const flank = put([corner(b, 0, j, 0), corner(b, 1, j, 0), corner(b, 1, j, 1), corner(b, 0, j, 1)]);
        return (
          <g
            key={t.key}
            role="button"
            tabIndex={0}
            aria-label={t.name}
            aria-pressed={on}
            onClick={() => onPick?.(t.key)}
            onFocus={() => onPick?.(t.key)}
            className="cursor-pointer"
          >
            {[top, end, flank].map((face, n) => (
              <polygon
                key={n}
                points={points(face)}
                fill={t.on_roof ? "none" : "var(--color-sheet)"}
                strokeDasharray={t.on_roof ? "0.05 0.04" : undefined}
                stroke={on ? "var(--color-gorse)" : "currentColor"}
                strokeWidth={on ? 0.022 : 0.008}
              />
            ))}
            {!t.on_roof && <polygon points={points(top)} fill={FILL[t.kind] ?? FILL.other} />}
            <title>{t.name}</title>
          </g>
        );
      })}
    </svg>
  );
}

const corner = (b: Box, i: number, j: number, k: number): [number, number, number] => [b[i]!, b[2 + j]!, b[4 + k]!];

/**
 * The fuse window: one scale in amps, the load's span on the left, the cable's limit on the right, standard ratings as
 * posts between. The chosen one stands taller; a post outside the window is struck through.
 */
import { scaleLog } from "d3-scale";
import type { CircuitPart } from "../data/client";
import { figure } from "../data/show";
import { says } from "../words/pictures";

type Props = { part: CircuitPart; width?: number; onPick?: (rating: number) => void };
const H = 96;
const FLOOR = 66;

/** Posts worth showing: the ratings round the window, at most ten, and always the chosen one. */
export function posts(ratings: number[], low: number, high: number, chosen: number | null): number[] {
  const near = ratings.filter((r) => r >= low * 0.55 && r <= Math.max(high, low) * 1.5);
  const middle = Math.sqrt(low * Math.max(high, low));
  const kept = near
    .sort((a, b) => Math.abs(Math.log(a / middle)) - Math.abs(Math.log(b / middle)))
    .slice(0, 10)
    .sort((a, b) => a - b);
  return chosen !== null && !kept.includes(chosen) ? [...kept, chosen].sort((a, b) => a - b) : kept;
}

export function FuseWindow({ part, width = 280, onPick }: Props) {
  const low = part.window_low_a;
  const high = part.window_high_a ?? part.ampacity_a;
  if (!(low > 0)) return <p className="text-chalk-dim">{says("window-opens-when-something")}</p>;
  const top = high ?? low * 2;
  const chosen = part.fuse_a;
  const shown = posts(part.ratings, low, top, chosen);
  const from = Math.min(low, part.current_a, ...shown) * 0.8;
  const to = Math.max(top, ...shown) * 1.15;
  const x = scaleLog([from, to], [6, width - 8]);
  const words = says("load-needs-least-cable", {
    current_a: figure(part.current_a),
    low: figure(low),
    has_high: high != null,
    high: high != null ? figure(high) : "",
    has_chosen: chosen != null,
    chosen: chosen != null ? figure(chosen) : "",
  });
  return (
    <figure className="m-0 my-1">
      <svg width={width} height={H} role={onPick ? "group" : "img"} aria-label={says("fuse-window", { words })} className="block max-w-full">
        <rect x={x(from)} y={FLOOR - 10} width={x(part.current_a) - x(from)} height="10" fill="currentColor" opacity="0.75">
          <title>{says("load", { current_a: figure(part.current_a) })}</title>
        </rect>
        <rect x={x(part.current_a)} y={FLOOR - 10} width={Math.max(0, x(low) - x(part.current_a))} height="10" fill="currentColor" opacity="0.3">
          <title>{says("margin-start", { low: figure(low) })}</title>
        </rect>
        {high != null && high >= low && <rect x={x(low)} y={FLOOR - 10} width={x(high) - x(low)} height="10" fill="var(--color-gorse)" opacity="0.35" />}
        {high != null && (
          <g stroke="currentColor">
            {Array.from({ length: Math.max(0, Math.floor((width - 8 - x(high)) / 6)) }, (_, i) => x(high) + 2 + i * 6).map((hx) => (
              <line key={hx} x1={hx} x2={hx + 5} y1={FLOOR} y2={FLOOR - 10} strokeWidth="1" opacity="0.6" />
            ))}
            <line x1={x(high)} x2={x(high)} y1={FLOOR - 16} y2={FLOOR + 4} strokeWidth="2" />
          </g>
        )}
        <line x1="4" x2={width - 4} y1={FLOOR} y2={FLOOR} stroke="currentColor" strokeWidth="1" />
        {shown.map((r, i) => {
          const inside = r >= low - 1e-9 && r <= (high ?? Number.POSITIVE_INFINITY) + 1e-9;
          const tall = r === chosen;
          const height = tall ? 44 : 24;
          const crowded = i > 0 && x(r) - x(shown[i - 1]!) < 22;
          return (
            <g
              key={r}
              role={onPick ? "button" : undefined}
              tabIndex={onPick ? 0 : undefined}
              aria-label={onPick ? says("outside-window-chosen", { r: figure(r), inside, tall }) : undefined}
              className={onPick ? "cursor-pointer" : ""}
              onClick={() => onPick?.(r)}
              onKeyDown={(e) => (e.key === "Enter" || e.key === " ") && onPick?.(r)}
            >
              <rect x={x(r) - 8} y={FLOOR - 50} width="16" height="66" fill="transparent" />
              <line
                x1={x(r)}
                x2={x(r)}
                y1={FLOOR}
                y2={FLOOR - height}
                stroke={tall ? "var(--color-gorse)" : "currentColor"}
                strokeWidth={tall ? 4 : 1.6}
                opacity={inside || tall ? 1 : 0.55}
              />
              {!inside && <path d={`M${x(r) - 5} ${FLOOR - height + 4}l10 10`} stroke="currentColor" strokeWidth="1.6" />}
              <text
                x={x(r)}
                y={tall ? FLOOR - height - 5 : FLOOR + (crowded && i % 2 ? 25 : 14)}
                fontSize={tall ? 12 : 10}
                textAnchor="middle"
                fill="currentColor"
                fontWeight={tall ? 700 : 400}
                className="num"
              >
                {figure(r)}
              </text>
            </g>
          );
        })}
      </svg>
      <figcaption className="text-[11px] opacity-85">{words}</figcaption>
    </figure>
  );
}

/** The same in a ledger's row: load, fuse and cable on one short line. */
export function FuseStrip({ part }: { part: CircuitPart }) {
  const high = part.window_high_a ?? part.ampacity_a;
  if (!(part.window_low_a > 0) || high == null) return <span className="text-dim">–</span>;
  const x = scaleLog([Math.min(part.window_low_a, part.fuse_a ?? high) * 0.6, Math.max(high, part.fuse_a ?? 0) * 1.4], [0, 84]);
  const ok = part.fuse_ok;
  return (
    <svg
      width="84"
      height="14"
      className="inline-block align-middle"
      role="img"
      aria-label={says("to-a", { window_low_a: figure(part.window_low_a), high: figure(high) })}
    >
      <rect x="0" y="8" width={x(part.window_low_a)} height="4" fill="currentColor" opacity="0.55" />
      <line x1={x(high)} x2={x(high)} y1="3" y2="14" stroke="currentColor" strokeWidth="1.5" />
      <line x1="0" x2="84" y1="12.5" y2="12.5" stroke="currentColor" strokeWidth="0.6" />
      {part.fuse_a != null && (
        <line x1={x(part.fuse_a)} x2={x(part.fuse_a)} y1="1" y2="12" stroke={ok === false ? "var(--color-rust)" : "var(--color-gorse)"} strokeWidth="3" />
      )}
      {part.fuse_a != null && ok === false && <path d={`M${x(part.fuse_a) - 4} 3l8 8`} stroke="currentColor" strokeWidth="1.2" />}
    </svg>
  );
}

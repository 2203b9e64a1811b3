/** Expected against measured: for each circuit its band of current and of voltage, and the reading as a tick on it. */
import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { useWidth } from "../../pictures/useWidth";
import { useHand } from "../../shell/hand";
import { says } from "../../words/prove";
import { type SheetRow, useReadings, VERDICTS } from "./edit";

const ROW = 24;
type BandProps = {
  x: number;
  y: number;
  width: number;
  low: number | null | undefined;
  high: number | null | undefined;
  read: number | null | undefined;
  verdict: string | null | undefined;
  unit: string;
};

/** Where a value stands when its band takes the middle half; far readings stop at the ends. */
export function placeOn(value: number, low: number, high: number): number {
  const span = Math.max(high - low, 1e-9);
  return Math.max(0, Math.min(1, 0.25 + (0.5 * (value - low)) / span));
}

/** A pass, a marginal and a failed reading by shape as well as by colour. */
export function VerdictMark({ verdict }: { verdict: string | null | undefined }) {
  if (!verdict) return null;
  return (
    <svg viewBox="0 0 16 16" className="inline-block h-3.5 w-3.5 align-[-2px]" aria-hidden="true">
      {verdict === "pass" && <path d="M2 8.5l4 4L14 3.5" fill="none" stroke="var(--color-moss)" strokeWidth="2.6" />}
      {verdict === "marginal" && <path d="M2 8q3-5 6 0t6 0" fill="none" stroke="var(--color-gorse-ink)" strokeWidth="2.6" />}
      {verdict === "fail" && <path d="M3 3l10 10M13 3L3 13" fill="none" stroke="var(--color-rust)" strokeWidth="2.6" />}
    </svg>
  );
}

function Band({ x, y, width, low, high, read, verdict, unit }: BandProps) {
  if (low == null || high == null) return null;
  const at = read != null ? x + width * placeOn(Math.abs(read), low, high) : null;
  const colour = verdict === "fail" ? "var(--color-rust)" : verdict === "marginal" ? "var(--color-gorse-ink)" : "var(--color-moss)";
  return (
    <g>
      <title>
        {says("expected-read", {
          low: show(low, unit),
          high: show(high, unit),
          has_read: read != null,
          read: read != null ? show(read, unit, "metric", 4) : "",
        })}
      </title>
      <line x1={x} x2={x + width} y1={y} y2={y} stroke="var(--color-line)" />
      <rect x={x + width * 0.25} y={y - 5} width={width * 0.5} height="10" fill="currentColor" opacity="0.16" />
      <path d={`M${x + width * 0.25} ${y - 6}v12M${x + width * 0.75} ${y - 6}v12`} stroke="currentColor" strokeWidth="0.8" />
      {at != null && <line x1={at} x2={at} y1={y - 8} y2={y + 8} stroke={colour} strokeWidth="3" />}
    </g>
  );
}

export function Bands() {
  const { report } = useVariant();
  const readings = useReadings();
  const hand = useHand();
  const [box, width] = useWidth<HTMLDivElement>();
  const rows: SheetRow[] = report.prove.rows;
  const left = Math.min(230, width * 0.28);
  const band = (width - left - 90) / 2;
  return (
    <div ref={box}>
      <svg width={width} height={rows.length * ROW + 26} className="block" role="group" aria-label={says("readings-against-what-expected")}>
        <text x={left + band * 0.5} y="13" fontSize="11" textAnchor="middle" fill="var(--color-dim)">
          {says("current-expected-between-bars")}
        </text>
        <text x={left + band * 1.5 + 24} y="13" fontSize="11" textAnchor="middle" fill="var(--color-dim)">
          {says("voltage-load")}
        </text>
        {rows.map((r, i) => {
          const y = 30 + i * ROW;
          const reading = readings.of(r.circuit);
          const on = hand.kind === "circuit" && hand.id === r.circuit;
          return (
            <g
              key={r.circuit}
              role="button"
              tabIndex={0}
              className="cursor-pointer"
              onClick={() => hand.pick("circuit", r.circuit)}
              onKeyDown={(e) => (e.key === "Enter" || e.key === " ") && hand.pick("circuit", r.circuit)}
            >
              <title>
                {says("not-read-yet", { code: r.code, name: r.name, has_verdict: Boolean(r.verdict), verdict: r.verdict ? (VERDICTS[r.verdict] ?? "") : "" })}
              </title>
              <rect x="0" y={y - ROW / 2} width={width} height={ROW} fill={on ? "var(--color-gorse)" : "transparent"} opacity="0.15" />
              <text aria-hidden="true" x="8" y={y + 4} fontSize="12" fill="currentColor">
                <tspan className="num">{r.code}</tspan> {r.name.length > 26 ? `${r.name.slice(0, 25)}…` : r.name}
              </text>
              <Band x={left} y={y} width={band} low={r.low_a} high={r.high_a} read={reading?.current_a} verdict={r.current_verdict} unit="A" />
              <Band x={left + band + 24} y={y} width={band} low={r.low_v} high={r.high_v} read={reading?.load_voltage_v} verdict={r.voltage_verdict} unit="V" />
              <svg x={width - 58} y={y - 8} width="16" height="16" viewBox="0 0 16 16" aria-hidden="true">
                <VerdictMark verdict={r.verdict} />
              </svg>
              {!r.verdict && (
                <text aria-hidden="true" x={width - 58} y={y + 4} fontSize="11" fill="var(--color-dim)">
                  {r.missing ? "" : says("read")}
                </text>
              )}
            </g>
          );
        })}
      </svg>
    </div>
  );
}

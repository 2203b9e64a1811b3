/** Plan and side section to scale about the centre line, with the place of the bank; pressing a place puts the bank there. */
import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { usePerson } from "../../shell/person";
import { says } from "../../words/vehicle";
import { BANK_PLACES } from "./words";

const W = 820;
const LEGEND = 210;
const H = 300;

function Dim({ x1, y1, x2, y2, text }: { x1: number; y1: number; x2: number; y2: number; text: string }) {
  const upright = x1 === x2;
  return (
    <g stroke="currentColor" strokeWidth="0.8">
      <line x1={x1} y1={y1} x2={x2} y2={y2} />
      {upright ? <path d={`M${x1 - 4} ${y1}h8M${x1 - 4} ${y2}h8`} /> : <path d={`M${x1} ${y1 - 4}v8M${x2} ${y1 - 4}v8`} />}
      <text
        x={(x1 + x2) / 2 + (upright ? 6 : 0)}
        y={(y1 + y2) / 2 + (upright ? 4 : -5)}
        stroke="none"
        fill="currentColor"
        fontSize="12"
        className="num"
        textAnchor={upright ? "start" : "middle"}
      >
        {text}
      </text>
    </g>
  );
}

export function VehiclePlan() {
  const { report, edit } = useVariant();
  const { units } = usePerson();
  const v = report.vehicle;
  const scale = Math.min((W - LEGEND - 210) / v.inside_length_m, 112 / Math.max(v.inside_width_m, v.inside_height_m));
  const L = v.inside_length_m * scale;
  const B = v.inside_width_m * scale;
  const T = v.inside_height_m * scale;
  const cab = v.preset_name === "trailer" ? 0 : Math.min(60, 1.1 * scale);
  const x = Math.max(60 + cab, (W - LEGEND - L + cab) / 2);
  const planY = 24;
  const sideY = planY + B + 34;
  const places: Record<string, { x: number; y: number; w: number; h: number }> = {
    warm_inside: { x: x + L * 0.06, y: sideY + T - 22, w: 44, h: 20 },
    unheated_inside: { x: x + L * 0.4, y: sideY + T - 22, w: 44, h: 20 },
    garage: { x: x + L - 50, y: sideY + T - 22, w: 44, h: 20 },
    underfloor: { x: x + L * 0.22, y: sideY + T + 5, w: 44, h: 14 },
    engine_space: { x: x - cab - 14, y: sideY + T - 20, w: 38, h: 18 },
  };
  return (
    <svg
      viewBox={`0 0 ${W} ${Math.max(H, sideY + T + 34)}`}
      className="mx-auto block h-full max-h-full w-full"
      role="group"
      aria-label={says("plan-side-section-scale", { preset_name: v.preset_name })}
    >
      <text x={x - cab - 48} y={planY + B / 2} fontSize="12" fill="currentColor">
        {says("plan")}
      </text>
      <text x={x - cab - 48} y={sideY + T / 2} fontSize="12" fill="currentColor">
        {says("side")}
      </text>
      {cab > 0 && (
        <path
          d={`M${x} ${planY}H${x - cab * 0.7}Q${x - cab} ${planY + B * 0.1} ${x - cab} ${planY + B / 2}Q${x - cab} ${planY + B * 0.9} ${x - cab * 0.7} ${planY + B}H${x}`}
          fill="none"
          stroke="currentColor"
          strokeWidth="1"
        />
      )}
      <rect x={x} y={planY} width={L} height={B} fill="none" stroke="currentColor" strokeWidth="2" />
      <line x1={x - cab - 8} x2={x + L + 8} y1={planY + B / 2} y2={planY + B / 2} stroke="currentColor" strokeDasharray="10 3 2 3" strokeWidth="0.7" />
      <Dim x1={x} y1={planY + B + 20} x2={x + L} y2={planY + B + 20} text={show(v.inside_length_m, "m", units)} />
      <Dim x1={x + L + 18} y1={planY} x2={x + L + 18} y2={planY + B} text={show(v.inside_width_m, "m", units)} />
      {cab > 0 && (
        <path
          d={`M${x} ${sideY + T * 0.12}L${x - cab * 0.55} ${sideY + T * 0.42}H${x - cab}V${sideY + T}H${x}`}
          fill="none"
          stroke="currentColor"
          strokeWidth="1"
        />
      )}
      <rect x={x} y={sideY} width={L} height={T} fill="none" stroke="currentColor" strokeWidth="2" />
      {[cab > 0 ? x - cab * 0.45 : x + L * 0.5, x + L * 0.72].map((wx) => (
        <circle key={wx} cx={wx} cy={sideY + T + 12} r="11" fill="none" stroke="currentColor" strokeWidth="1.5" />
      ))}
      <Dim x1={x + L + 18} y1={sideY} x2={x + L + 18} y2={sideY + T} text={show(v.inside_height_m, "m", units)} />
      <text x={W - LEGEND + 4} y={planY + 4} fontSize="12" fill="var(--color-dim)">
        {says("places-bank")}
      </text>
      {BANK_PLACES.map((p, i) => {
        const r = places[p.value]!;
        const here = p.value === v.bank_place;
        const put = () => void edit([{ op: "replace", path: "/vehicle/bank_place", value: p.value }], says("bank", { word: p.word }));
        return (
          <g
            key={p.value}
            role="button"
            tabIndex={0}
            aria-pressed={here}
            className="cursor-pointer"
            onClick={put}
            onKeyDown={(e) => (e.key === "Enter" || e.key === " ") && put()}
          >
            <title>{says("bank-chosen", { word: p.word, here })}</title>
            <rect
              x={r.x}
              y={r.y}
              width={r.w}
              height={r.h}
              fill={here ? "var(--color-gorse)" : "transparent"}
              stroke="currentColor"
              strokeWidth={here ? 1.4 : 0.7}
              strokeDasharray={here ? "" : "3 3"}
            />
            <text
              aria-hidden="true"
              x={r.x + r.w / 2}
              y={r.y + r.h / 2 + 4}
              fontSize="11"
              textAnchor="middle"
              fill={here ? "#20261F" : "currentColor"}
              fontWeight={here ? 600 : 400}
            >
              {here ? says("bank-2", { i: i + 1 }) : i + 1}
            </text>
            <rect x={W - LEGEND} y={planY + 12 + i * 22} width={LEGEND - 4} height="20" fill="transparent" />
            <text aria-hidden="true" x={W - LEGEND + 4} y={planY + 26 + i * 22} fontSize="13" fill="currentColor" fontWeight={here ? 700 : 400}>
              {`${i + 1}  ${p.word}`}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

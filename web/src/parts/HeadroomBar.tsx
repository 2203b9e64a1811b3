/** Need against have: the length is what there is, the chalk what is needed, the gable notch the advised margin; more runs out, hatched. */
import { show } from "../data/show";
import { usePerson, useSaid } from "../shell/person";
import { says } from "../words/parts";

type Props = { label: string; need: number; have: number; unit: string; margin: number; onPick?: () => void };

export function HeadroomBar({ label, need, have, unit, margin, onPick }: Props) {
  const { units } = usePerson();
  const say = useSaid();
  const part = have > 0 ? need / have : 2;
  const over = part > 1;
  const room = 76;
  const tight = !over && part > 1 - margin;
  const words = says("needs-has", { need: show(need, unit, units), have: show(have, unit, units) });
  const Tag = onPick ? "button" : "div";
  return (
    <Tag type={onPick ? "button" : undefined} onClick={onPick} className="block w-full py-1 text-left">
      <div className="flex items-baseline justify-between gap-2">
        <span>{say(label)}</span>
        <span className={`text-[11px] ${over ? "font-semibold" : "opacity-80"}`}>{over ? says("too-little") : tight ? says("tight") : ""}</span>
      </div>
      <span className="relative block h-4">
        <svg viewBox="0 0 100 12" preserveAspectRatio="none" className="absolute inset-0 h-full w-full" aria-hidden="true">
          <rect x="0" y="4" width={room} height="7" fill="none" stroke="currentColor" strokeWidth="0.8" vectorEffect="non-scaling-stroke" />
          <rect x="0" y="4" width={Math.min(part, 1) * room} height="7" fill="currentColor" opacity={over ? 0.75 : 0.55} />
          {over && (
            <g stroke="currentColor" strokeWidth="1" vectorEffect="non-scaling-stroke">
              {Array.from({ length: 9 }, (_, i) => room + 1 + i * 2.5)
                .filter((x) => x < room + Math.min(part - 1, 0.31) * room + 1)
                .map((x) => (
                  <line key={x} x1={x} y1="11" x2={x + 2} y2="4" vectorEffect="non-scaling-stroke" />
                ))}
            </g>
          )}
        </svg>
        {margin > 0 && (
          <svg viewBox="0 0 10 8" className="absolute -top-0.5 h-2 w-2.5 -translate-x-1/2" style={{ left: `${room * (1 - margin)}%` }} aria-hidden="true">
            <path d="M0 8V4L5 0l5 4v4z" fill="currentColor" />
          </svg>
        )}
      </span>
      <div className="num text-[11px] opacity-90">{words}</div>
    </Tag>
  );
}

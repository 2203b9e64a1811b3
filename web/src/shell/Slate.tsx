/** The slate: what is in hand, its figures and their working, its findings. Can be widened and folded to its edge. */
import { type ReactNode, useEffect, useRef } from "react";
import { show } from "../data/show";
import { useVariant } from "../data/variant";
import { FigureWorking } from "../parts/Fig";
import { says } from "../words/shell";
import { useHand } from "./hand";
import { usePerson, useSaid } from "./person";

/** The figure opened on the bench, when the slate's own content does not show it. */
function Opened() {
  const { report } = useVariant();
  const { units } = usePerson();
  const say = useSaid();
  const { opened, onBench, open } = useHand();
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (opened) box.current?.scrollIntoView({ block: "nearest" });
  }, [opened]);
  const f = opened ? report.figures[opened] : undefined;
  if (!opened || !onBench || !f) return null;
  return (
    <div ref={box} className="mb-2 border border-gorse/70 p-2" role="region" aria-label={says("calculation")}>
      <div className="flex items-baseline justify-between gap-2">
        <strong>{say(f.label)}</strong>
        <button type="button" className="text-chalk-dim underline" onClick={() => open(null)}>
          {says("close-2")}
        </button>
      </div>
      <div className="num text-[16px]">{show(f.value, f.unit, units, 4)}</div>
      <FigureWorking k={opened} />
    </div>
  );
}

export function Slate({ title, sub, children }: { title: string; sub?: string; children: ReactNode }) {
  const say = useSaid();
  const person = usePerson();
  const hand = useHand();
  const start = useRef<{ x: number; width: number } | null>(null);
  const folded = person.slate < 80;
  if (folded)
    return (
      <aside className="no-print flex w-8 shrink-0 bg-slate text-chalk max-[899px]:hidden" aria-label={says("details-hidden")}>
        <button type="button" className="w-full [writing-mode:vertical-rl]" onClick={() => person.set({ slate: 312 })}>
          {says("details", { title })}
        </button>
      </aside>
    );
  return (
    <aside
      id="slate"
      tabIndex={-1}
      aria-label={says("details-2")}
      style={{ width: person.slate }}
      className="no-print relative flex shrink-0 flex-col bg-slate text-chalk max-[899px]:!w-full max-[899px]:shrink"
    >
      <div
        role="separator"
        aria-orientation="vertical"
        aria-label={says("width-details")}
        aria-valuenow={person.slate}
        aria-valuemin={260}
        aria-valuemax={620}
        tabIndex={0}
        className="absolute inset-y-0 left-0 w-1.5 cursor-col-resize max-[899px]:hidden"
        onPointerDown={(e) => {
          start.current = { x: e.clientX, width: person.slate };
          e.currentTarget.setPointerCapture(e.pointerId);
        }}
        onPointerMove={(e) => {
          if (start.current) person.set({ slate: Math.max(260, Math.min(620, start.current.width + start.current.x - e.clientX)) });
        }}
        onPointerUp={() => {
          start.current = null;
        }}
        onKeyDown={(e) => {
          if (e.key === "ArrowLeft") person.set({ slate: Math.min(620, person.slate + 20) });
          if (e.key === "ArrowRight") person.set({ slate: Math.max(260, person.slate - 20) });
        }}
      />
      <header className="flex items-start justify-between gap-2 border-b border-slate-2 px-3 py-2">
        <div className="min-w-0">
          <h2 className="m-0 break-words font-display text-[17px] font-semibold leading-tight">{title}</h2>
          {sub && <div className="text-[12px] text-chalk-dim">{say(sub)}</div>}
        </div>
        <span className="flex gap-2 whitespace-nowrap text-[12px]">
          {hand.key && (
            <button type="button" className="text-chalk-dim underline" onClick={hand.drop}>
              {says("clear-selection")}
            </button>
          )}
          <button type="button" className="text-chalk-dim underline max-[899px]:hidden" onClick={() => person.set({ slate: 40 })}>
            {says("hide-panel")}
          </button>
        </span>
      </header>
      <div role="region" className="relative flex-1 overflow-y-auto px-3 py-2" tabIndex={0} aria-label={says("figures-findings")}>
        <Opened />
        {children}
      </div>
    </aside>
  );
}

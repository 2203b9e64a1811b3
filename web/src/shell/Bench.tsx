/** The bench of a stage: sentence, picture over ledger with a divider that moves, and the slate beside them. */
import { type ReactNode, useRef } from "react";
import { says } from "../words/shell";
import { usePerson } from "./person";

type Props = { title: string; sentence: ReactNode; picture?: ReactNode; tools?: ReactNode; ledger: ReactNode; slate: ReactNode };

export function Bench({ title, sentence, picture, tools, ledger, slate }: Props) {
  const person = usePerson();
  const box = useRef<HTMLDivElement>(null);
  const move = (y: number) => {
    const area = box.current?.getBoundingClientRect();
    if (area) person.set({ split: Math.round(Math.max(0, Math.min(100, (100 * (y - area.top)) / area.height))) });
  };
  return (
    <>
      <main tabIndex={-1} className="outline-none flex min-w-0 flex-1 flex-col print-flow max-[899px]:flex-none" aria-label={title}>
        <div className="border-b border-line px-4 py-2">
          <h1 className="sr-only">{title}</h1>
          <p className="m-0 text-[15px] leading-relaxed">{sentence}</p>
        </div>
        <div ref={box} className="flex min-h-0 flex-1 flex-col print-flow max-[899px]:block">
          {picture && person.split > 3 && (
            <div
              className="relative min-h-0 shrink-0 overflow-auto bg-sheet max-[899px]:!h-auto"
              style={{ height: `${person.split}%` }}
              tabIndex={0}
              role="region"
              aria-label={says("picture")}
            >
              {picture}
            </div>
          )}
          {picture && (
            <div
              role="separator"
              aria-orientation="horizontal"
              aria-label={says("divider-between-picture-ledger")}
              aria-valuenow={person.split}
              aria-valuemin={0}
              aria-valuemax={100}
              tabIndex={0}
              className="no-print h-1.5 shrink-0 cursor-row-resize border-y border-line bg-bench hover:bg-gorse max-[899px]:hidden"
              onPointerDown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
              onPointerMove={(e) => e.buttons === 1 && move(e.clientY)}
              onDoubleClick={() => person.set({ split: 46 })}
              onKeyDown={(e) => {
                if (e.key === "ArrowUp") person.set({ split: Math.max(0, person.split - 5) });
                if (e.key === "ArrowDown") person.set({ split: Math.min(100, person.split + 5) });
              }}
            />
          )}
          <div className="flex min-h-0 flex-1 flex-col bg-sheet print-flow">
            {tools && <div className="no-print flex flex-wrap items-center gap-1.5 border-b border-line bg-bench px-2 py-1">{tools}</div>}
            <div className="relative min-h-0 flex-1 overflow-auto print-flow" tabIndex={0} role="region" aria-label={says("ledger")}>
              {ledger}
            </div>
          </div>
        </div>
      </main>
      {slate}
    </>
  );
}

/** Named things of which one at a time shows what can be said of it. */
import type { ReactNode } from "react";

type Props<T> = {
  items: readonly T[];
  remove: string;
  onRemove: (item: T) => void;
  open: string | null;
  onOpen: (id: string | null) => void;
  children: (item: T) => ReactNode;
};

export function Unfold<T extends { id: string; name: string }>({ items, remove, onRemove, open, onOpen, children }: Props<T>) {
  return (
    <ul className="m-0 list-none p-0">
      {items.map((x) => (
        <li key={x.id}>
          <button
            type="button"
            className="underline decoration-dotted underline-offset-2"
            aria-expanded={open === x.id}
            onClick={() => onOpen(open === x.id ? null : x.id)}
          >
            {x.name}
          </button>
          {open === x.id && (
            <div className="border-l-2 border-slate-2 pl-2">
              {children(x)}
              <button type="button" className="text-[12px] text-chalk-dim underline" onClick={() => onRemove(x)}>
                {remove}
              </button>
            </div>
          )}
        </li>
      ))}
    </ul>
  );
}

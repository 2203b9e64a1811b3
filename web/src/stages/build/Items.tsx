/** What a task is made of, each with its tick. */

import { says } from "../../words/build";
import { type Task, useLog } from "./data";

export function Items({ t, big }: { t: Task; big?: boolean }) {
  const log = useLog();
  const done = t.items.filter((x) => x.done).length;
  if (!t.items.length || (t.state === "done" && !done)) return null;
  return (
    <details className={big ? "my-1 text-[14px]" : "my-1 text-[12px]"} open={done > 0 && done < t.items.length}>
      <summary className="cursor-pointer">{says("one-one-ticked", { done, items_count: t.items.length })}</summary>
      <ul className="m-0 list-none p-0">
        {t.items.map((x) => (
          <li key={x.id}>
            <label className={`flex items-center gap-2 ${big ? "min-h-11" : ""}`}>
              <input type="checkbox" className={big ? "h-6 w-6" : ""} checked={x.done} onChange={() => void log.tick(t, x)} />
              {x.name}
            </label>
          </li>
        ))}
      </ul>
    </details>
  );
}

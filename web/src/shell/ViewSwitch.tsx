/** Switches between the views of a stage. */

import { says } from "../words/shell";
import { useTerm } from "./person";
import { useStageView, type Views } from "./views";

export function StageViews<V extends Views>({ stage, views }: { stage: string; views: V }) {
  const { view, turnTo } = useStageView(views);
  const term = useTerm();
  return (
    <span className="flex flex-wrap" role="group" aria-label={says("view", { stage })}>
      {Object.keys(views).map((k) => (
        <button
          type="button"
          key={k}
          className={`btn px-2 ${k === view ? "!border-gorse font-semibold" : ""}`}
          aria-pressed={k === view}
          onClick={() => turnTo(k as keyof V & string)}
        >
          {term(views[k] ?? "")}
        </button>
      ))}
    </span>
  );
}

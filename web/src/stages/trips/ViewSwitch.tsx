/** Switches between the views of Trips. */
import { useView, VIEWS, type View } from "./views";

export function ViewSwitch() {
  const { view, turnTo } = useView();
  return (
    <span className="flex" role="group" aria-label="View of Trips">
      {(Object.keys(VIEWS) as View[]).map((k) => (
        <button
          type="button"
          key={k}
          className={`btn px-2 ${k === view ? "!border-gorse font-semibold" : ""}`}
          aria-pressed={k === view}
          onClick={() => turnTo(k)}
        >
          {VIEWS[k]}
        </button>
      ))}
    </span>
  );
}

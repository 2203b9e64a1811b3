/** What went wrong, what is safe, and what to press: refused edits, another tab's edit, an unreachable server. */
import { useVariant } from "../data/variant";

const words = (path: string) => path.split("/").filter(Boolean).slice(1).join(" · ").replace(/_/g, " ");
const said = (value: unknown) => {
  const text = typeof value === "string" ? value : JSON.stringify(value);
  return text && text.length > 60 ? `${text.slice(0, 57)}…` : String(text);
};

export function Banner() {
  const { id, projectId, saving, trouble, broken, revision, canUndo, undo, conflict, rejection, resolve, dismiss } = useVariant();
  if (conflict)
    return (
      <div role="alert" className="no-print flex flex-wrap items-center gap-3 border-b border-gorse bg-gorse/20 px-3 py-1.5">
        <span>
          Another tab changed <strong>{words(conflict.path)}</strong> meanwhile. Theirs: <span className="num">{said(conflict.theirs)}</span>. Yours:{" "}
          <span className="num">{said(conflict.mine)}</span>.
        </span>
        <button type="button" className="btn btn-main" onClick={() => resolve(true)}>
          Use mine
        </button>
        <button type="button" className="btn" onClick={() => resolve(false)}>
          Use theirs
        </button>
      </div>
    );
  if (rejection)
    return (
      <div role="alert" className="no-print flex flex-wrap items-center gap-3 border-b border-rust bg-rust/10 px-3 py-1.5">
        <span>
          Not taken: <strong>{rejection.message}</strong> The design is as it was.
        </span>
        <button type="button" className="btn" onClick={dismiss}>
          OK
        </button>
      </div>
    );
  if (broken)
    return (
      <div role="alert" className="no-print flex flex-wrap items-center gap-3 border-b border-rust bg-rust/10 px-3 py-1.5">
        <span>
          <strong>Revision {revision} can’t be computed:</strong> {broken.reason}.{" "}
          {broken.shown > 0 ? `Revision ${broken.shown} is shown instead.` : "No earlier one can be; an empty design is shown instead."} Nothing is lost: undo
          goes back past it, and the next change makes a new revision from what you see.
        </span>
        <button type="button" className="btn btn-main" disabled={!canUndo} onClick={() => void undo()}>
          Go back past it
        </button>
        <a className="text-loch underline" href={`/api/variants/${id}/document.json`} download>
          Export the stored document
        </a>
        <a className="text-loch underline" href={`/api/projects/${projectId}/file`} download>
          Export the project
        </a>
      </div>
    );
  if (saving === "kept")
    return (
      <div role="status" className="no-print border-b border-gorse bg-gorse/20 px-3 py-1.5">
        {trouble ?? "Bothy does not answer."} Trying again every two seconds.
      </div>
    );
  return null;
}

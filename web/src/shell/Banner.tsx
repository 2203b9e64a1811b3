/** What went wrong, what is safe, and what to press: refused edits, another tab's edit, an unreachable server. */
import { useVariant } from "../data/variant";
import { says } from "../words/shell";

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
          {says("another-tab-changed")} <strong>{words(conflict.path)}</strong> {says("meanwhile-theirs")} <span className="num">{said(conflict.theirs)}</span>
          {says("yours")} <span className="num">{said(conflict.mine)}</span>.
        </span>
        <button type="button" className="btn btn-main" onClick={() => resolve(true)}>
          {says("use-mine")}
        </button>
        <button type="button" className="btn" onClick={() => resolve(false)}>
          {says("use-theirs")}
        </button>
      </div>
    );
  if (rejection)
    return (
      <div role="alert" className="no-print flex flex-wrap items-center gap-3 border-b border-rust bg-rust/10 px-3 py-1.5">
        <span>
          {says("not-taken")} <strong>{rejection.message}</strong> {says("design-was")}
        </span>
        <button type="button" className="btn" onClick={dismiss}>
          {says("ok")}
        </button>
      </div>
    );
  if (broken)
    return (
      <div role="alert" className="no-print flex flex-wrap items-center gap-3 border-b border-rust bg-rust/10 px-3 py-1.5">
        <span>
          <strong>{says("revision-cant-computed", { revision })}</strong>{" "}
          {says("revision-shown-instead-no", { reason: broken.reason, some_shown: broken.shown > 0, shown: broken.shown })}
        </span>
        <button type="button" className="btn btn-main" disabled={!canUndo} onClick={() => void undo()}>
          {says("go-back-past")}
        </button>
        <a className="text-loch underline" href={`/api/variants/${id}/document.json`} download>
          {says("export-stored-document")}
        </a>
        <a className="text-loch underline" href={`/api/projects/${projectId}/file`} download>
          {says("export-project")}
        </a>
      </div>
    );
  if (saving === "kept")
    return (
      <div role="status" className="no-print border-b border-gorse bg-gorse/20 px-3 py-1.5">
        {says("trying-again-every-two", { trouble: trouble ?? says("bothy-does-not-answer") })}
      </div>
    );
  return null;
}

/** What went wrong, what is safe, and what to press: refused edits, another tab's edit, an unreachable server. */
import { useLabels } from "../data/labels";
import { useVariant } from "../data/variant";
import { placeWords, valueWord } from "../data/worklist";
import { says } from "../words/shell";
import { usePerson } from "./person";

export function Banner() {
  const { id, projectId, saving, trouble, broken, revision, canUndo, undo, conflict, rejection, resolve, dismiss, design } = useVariant();
  const labels = useLabels();
  const { units } = usePerson();
  if (conflict) {
    const { what, unit } = placeWords(design, conflict.path, labels);
    return (
      <div role="alert" className="no-print flex flex-wrap items-center gap-3 border-b border-gorse bg-gorse/20 px-3 py-1.5">
        <span>
          {says("another-tab-changed-meanwhile", {
            what,
            theirs: valueWord(conflict.theirs, unit, units),
            mine: valueWord(conflict.mine, unit, units),
          })}
        </span>
        <button type="button" className="btn btn-main" onClick={() => resolve(true)}>
          {says("use-mine")}
        </button>
        <button type="button" className="btn" onClick={() => resolve(false)}>
          {says("use-theirs")}
        </button>
      </div>
    );
  }
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

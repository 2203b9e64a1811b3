/** The keyboard: one place for all shortcuts. None fires while typing in a field. */
import { useEffect, useLayoutEffect, useState } from "react";
import { useLocation, useNavigate, useParams } from "react-router";
import { isOpen } from "../data/findings";
import { useFindings } from "../data/trip";
import { useVariant } from "../data/variant";
import { says } from "../words/shell";
import { call } from "./call";
import { usePerson } from "./person";
import { STAGES, stageOf } from "./stages";

export const LIST: [string, string][] = [
  ["1 … 9, 0, -, =", says("twelve-stages")],
  ["/", says("find-do-3")],
  ["l", says("worklist-everything-open")],
  ["n", says("new-line-ledger")],
  ["w", says("working-focused-figure")],
  [says("f-shift-f"), says("next-previous-finding")],
  [says("z-shift-z-ctrl"), says("undo-redo")],
  ["s", says("slate-back")],
  [says("arrows-enter-tab"), says("ledger-move-edit-go")],
  ["Esc", says("out-ledgers-cells-keys")],
  [says("ctrl-enter-delete-ctrl"), says("ledger-new-line-remove")],
  [says("alt-up-alt-down"), says("ledger-reorder")],
  ["?", says("list-2")],
];

const typing = (e: KeyboardEvent) => {
  const t = e.target as HTMLElement;
  return t.isContentEditable || ["INPUT", "TEXTAREA", "SELECT"].includes(t.tagName);
};

/** The figure that has the focus, or that is in what has it, or beside it in its row. */
const figureNear = (at: Element | null) =>
  at?.closest<HTMLElement>("[data-figure]") ??
  at?.querySelector<HTMLElement>("[data-figure]") ??
  at?.closest("tr, li, p")?.querySelector<HTMLElement>("[data-figure]");

/** Whether something is being entered, also where the caret isn't in a field just now: a form for new lines, a menu, a question. */
const entering = (e: KeyboardEvent) => {
  const t = e.target as HTMLElement;
  return !!t.closest?.("form, [role=dialog], [role=alertdialog], [role=menu], [role=listbox]") || !!document.querySelector("[data-entry]");
};

/** Focus that fell off the page (what had it is gone) goes to the stage, so that the next key is heard there. */
export function useFocusKept() {
  const { pathname } = useLocation();
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new page is what it waits for
  useEffect(() => {
    const frame = requestAnimationFrame(() => {
      if (!document.activeElement || document.activeElement === document.body) document.querySelector<HTMLElement>("main")?.focus({ preventScroll: true });
    });
    return () => cancelAnimationFrame(frame);
  }, [pathname]);
}

export function useKeys(): { help: boolean; setHelp: (on: boolean) => void } {
  const go = useNavigate();
  const { variantId } = useParams();
  const { undo, redo } = useVariant();
  const findings = useFindings();
  const person = usePerson();
  const [help, setHelp] = useState(false);
  const [at, setAt] = useState(-1);
  useLayoutEffect(() => {
    const press = (e: KeyboardEvent) => {
      if (typing(e) || e.altKey || e.defaultPrevented) return;
      if (e.ctrlKey || e.metaKey) {
        const key = e.key.toLowerCase();
        if (key === "z" && !e.shiftKey) void undo();
        else if ((key === "z" && e.shiftKey) || key === "y") void redo();
        else return;
        e.preventDefault();
        return;
      }
      if (e.key.length === 1 && entering(e)) return;
      const stage = STAGES.find((s) => s.key === e.key);
      if (stage) go(`/v/${variantId}/${stage.id}`);
      else if (e.key === "l") go(`/v/${variantId}/worklist`);
      else if (e.key === "/") call("bothy:find");
      else if (e.key === "n") call("bothy:new");
      else if (e.key === "z") void undo();
      else if (e.key === "Z") void redo();
      else if (e.key === "?") setHelp(!help);
      else if (e.key === "Escape") setHelp(false);
      else if (e.key === "w") figureNear(document.activeElement)?.click();
      else if (e.key === "s") {
        if (person.slate < 80) person.set({ slate: 312 });
        const slate = document.getElementById("slate");
        if (slate?.contains(document.activeElement)) (document.querySelector("[role=grid] [tabindex='0']") as HTMLElement | null)?.focus();
        else slate?.focus();
      } else if (e.key === "f" || e.key === "F") {
        const open = findings.filter((f) => f.severity !== "note" && isOpen(f));
        if (!open.length) return;
        const next = (at + (e.key === "f" ? 1 : open.length - 1) + (at < 0 && e.key === "F" ? 1 : 0)) % open.length;
        setAt(next);
        const f = open[next]!;
        go(`/v/${variantId}/${stageOf(f.subject, f.stage)}`, { state: { finding: f.id } });
      } else return;
      e.preventDefault();
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  }, [go, variantId, undo, redo, findings, person, help, at]);
  return { help, setHelp };
}

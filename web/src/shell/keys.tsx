/** The keyboard: one place for all shortcuts. None fires while typing in a field. */
import { useLayoutEffect, useState } from "react";
import { useNavigate, useParams } from "react-router";
import { isOpen } from "../data/findings";
import { useFindings } from "../data/trip";
import { useVariant } from "../data/variant";
import { call } from "./call";
import { usePerson } from "./person";
import { STAGES, stageOf } from "./stages";

export const LIST: [string, string][] = [
  ["1 … 9, 0, -, =", "the twelve stages"],
  ["/", "find or do"],
  ["l", "worklist: everything that is open"],
  ["n", "new line in the ledger"],
  ["w", "working of the focused figure"],
  ["f, Shift+f", "next, previous finding"],
  ["z, Shift+z", "undo, redo"],
  ["s", "to the slate and back"],
  ["Arrows, Enter, Tab", "in a ledger: move, edit, go on"],
  ["Ctrl+Enter, Delete, Ctrl+D", "in a ledger: new line, remove, duplicate"],
  ["Alt+Up, Alt+Down", "in a ledger: reorder"],
  ["?", "this list"],
];

const typing = (e: KeyboardEvent) => {
  const t = e.target as HTMLElement;
  return t.isContentEditable || ["INPUT", "TEXTAREA", "SELECT"].includes(t.tagName);
};

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
      if (typing(e) || e.ctrlKey || e.metaKey || e.altKey || e.defaultPrevented) return;
      const stage = STAGES.find((s) => s.key === e.key);
      if (stage) go(`/v/${variantId}/${stage.id}`);
      else if (e.key === "l") go(`/v/${variantId}/worklist`);
      else if (e.key === "/") call("bothy:find");
      else if (e.key === "n") call("bothy:new");
      else if (e.key === "z") void undo();
      else if (e.key === "Z") void redo();
      else if (e.key === "?") setHelp(!help);
      else if (e.key === "Escape") setHelp(false);
      else if (e.key === "w") (document.activeElement?.querySelector("[data-figure]") as HTMLElement | null)?.click();
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

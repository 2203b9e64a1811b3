import { STAGES, type Stage } from "./stages";

/** The pages of a design, each fetched when it is opened or when there is time: then a stage opens at once, and also while the server is away. */
export const PAGES: Record<string, NonNullable<Stage["page"]>> = {
  ...Object.fromEntries(STAGES.flatMap((s) => (s.page ? [[s.id, s.page]] : []))),
  worklist: () => import("../stages/worklist/Worklist"),
};
const FIRST = "worklist";

let asked = false;

/** Fetch all pages while nothing else is to be done, the Worklist first. A page that can't be had now is fetched when it is opened. */
export function fetchAhead() {
  if (asked) return;
  asked = true;
  const later = window.requestIdleCallback ?? ((f: () => void) => setTimeout(f, 500));
  const left: NonNullable<Stage["page"]>[] = Object.entries(PAGES)
    .sort(([a], [b]) => Number(a === FIRST) - Number(b === FIRST))
    .map(([, page]) => page);
  const next = () =>
    void left
      .pop()?.()
      .catch(() => undefined)
      .then(() => left.length && later(next));
  later(next);
}

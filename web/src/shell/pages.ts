/** The pages of a design, each fetched when it is opened or when there is time: then a stage opens at once, and also while the server is away. */
export const PAGES = {
  vehicle: () => import("../stages/vehicle/Vehicle"),
  life: () => import("../stages/life/Life"),
  power: () => import("../stages/power/Power"),
  trips: () => import("../stages/trips/Trips"),
  wiring: () => import("../stages/wiring/Wiring"),
  warmth: () => import("../stages/warmth/Warmth"),
  water: () => import("../stages/water/Water"),
  gas: () => import("../stages/gas/Gas"),
  prove: () => import("../stages/prove/Prove"),
  worklist: () => import("../stages/worklist/Worklist"),
};

let asked = false;

/** Fetch all pages while nothing else is to be done, the Worklist first. A page that can't be had now is fetched when it is opened. */
export function fetchAhead() {
  if (asked) return;
  asked = true;
  const later = window.requestIdleCallback ?? ((f: () => void) => setTimeout(f, 500));
  const left = Object.values(PAGES).reverse();
  const next = () =>
    void left
      .pop()?.()
      .catch(() => undefined)
      .then(() => left.length && later(next));
  left.push(PAGES.worklist);
  later(next);
}

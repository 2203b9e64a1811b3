/** Enter and the space bar press what has the focus in a picture. */
import type { KeyboardEvent } from "react";

export function pressed(k: KeyboardEvent, act?: () => void) {
  if (!act || (k.key !== "Enter" && k.key !== " ")) return;
  k.preventDefault();
  act();
}

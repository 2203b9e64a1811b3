/** Whether the screen is a phone or a small tablet: site mode, for work inside the vehicle. */
import { useSyncExternalStore } from "react";

const QUERY = "(max-width: 899px)";
const subscribe = (tell: () => void) => {
  const list = window.matchMedia?.(QUERY);
  list?.addEventListener("change", tell);
  return () => list?.removeEventListener("change", tell);
};

export function useSite(): boolean {
  return useSyncExternalStore(subscribe, () => window.matchMedia?.(QUERY).matches ?? false);
}

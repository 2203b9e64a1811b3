/** Calls from the keyboard to whichever part of the screen answers them. */
import { useLayoutEffect } from "react";

export type Call = "bothy:find" | "bothy:new";

export const call = (name: Call) => window.dispatchEvent(new Event(name));

/** Answers a call from the moment the part is on the screen: a key pressed as soon as it shows must not be lost. */
export function useCall(name: Call, answer: () => void) {
  useLayoutEffect(() => {
    window.addEventListener(name, answer);
    return () => window.removeEventListener(name, answer);
  }, [name, answer]);
}

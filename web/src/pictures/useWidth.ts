/** Width of an element in pixels as it changes, for pictures that are laid out by it. */
import { type RefObject, useEffect, useRef, useState } from "react";

export function useWidth<T extends HTMLElement>(first = 800): [RefObject<T | null>, number] {
  const box = useRef<T>(null);
  const [width, setWidth] = useState(first);
  useEffect(() => {
    const element = box.current;
    if (!element || typeof ResizeObserver === "undefined") return;
    const watch = new ResizeObserver(([entry]) => entry && setWidth(Math.max(280, Math.round(entry.contentRect.width))));
    watch.observe(element);
    return () => watch.disconnect();
  }, []);
  return [box, width];
}

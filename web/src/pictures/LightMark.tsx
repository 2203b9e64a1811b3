/** The mark of a state inside a picture, on its own ground so that it is seen over lines. */
import type { Light } from "./lit";

export function LightMark({ x, y, light, size = 14 }: { x: number; y: number; light: Light; size?: number }) {
  return (
    <svg x={x - size / 2} y={y - size / 2} width={size} height={size} viewBox="0 0 16 16" data-light={light.word} pointerEvents="none" aria-hidden="true">
      <circle cx="8" cy="8" r="8" fill="var(--color-sheet)" />
      <path d={light.path} fill="none" stroke={light.colour} strokeWidth="2.2" />
    </svg>
  );
}

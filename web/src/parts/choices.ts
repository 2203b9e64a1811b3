/** Choices of a list with their words, and those that several stages share. */
import { says } from "../words/parts";
export const pairs = <V extends string>(words: Record<V, string>) => (Object.entries(words) as [V, string][]).map(([value, word]) => ({ value, word }));
export const wordOf = (options: readonly { value: string; word: string }[], value: unknown) =>
  options.find((o) => o.value === String(value))?.word ?? String(value ?? "");
/** Pipe fittings of water and gas, in the plural. */
export const PIPE_FITTINGS = {
  elbow_90: says("elbows"),
  bend_90: says("wide-bends"),
  elbow_45: says("half-elbows"),
  tee_run: says("tees-straight"),
  tee_branch: says("tees-off-side"),
  coupling: says("couplings"),
};
/** What a tank or a cylinder is held for. */
export const HELD = pairs({
  interior_10g: says("g-every-way"),
  converter_5g: says("g-forward-g-sideways"),
  cargo_lashing: says("braking-only-hold-own"),
  boat_heel: says("small-boat-her-side"),
});
/** What a leak or pressure test proved. */
export const VERDICT: Record<string, string> = { pass: says("holds"), fail: says("leaks"), repeat: says("repeat") };

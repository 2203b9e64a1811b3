/** Choices of a list with their words, and those that several stages share. */
export const pairs = <V extends string>(words: Record<V, string>) => (Object.entries(words) as [V, string][]).map(([value, word]) => ({ value, word }));
export const wordOf = (options: readonly { value: string; word: string }[], value: unknown) =>
  options.find((o) => o.value === String(value))?.word ?? String(value ?? "");
/** Pipe fittings of water and gas, in the plural. */
export const PIPE_FITTINGS = {
  elbow_90: "elbows",
  bend_90: "wide bends",
  elbow_45: "half elbows",
  tee_run: "tees, straight",
  tee_branch: "tees, off the side",
  coupling: "couplings",
};
/** What a tank or a cylinder is held for. */
export const HELD = pairs({
  interior_10g: "10 g every way",
  converter_5g: "5 g forward, 3 g sideways",
  cargo_lashing: "braking only, in a hold of its own",
  boat_heel: "a small boat on her side, 1.5 g",
});
/** What a leak or pressure test proved. */
export const VERDICT: Record<string, string> = { pass: "holds", fail: "leaks", repeat: "repeat it" };

/** The worklist: what is open, grouped by what is to be done, and what a remedy changes in one line. */

import words from "../../generated/words.json";
import { says } from "../words/data";
import type { Design, Finding, PatchOp, Schemas } from "./client";
import { isOpen } from "./findings";
import { at } from "./patch";
import { show, type UnitSystem } from "./show";

export const DOING = {
  say: says("say"),
  press: says("press"),
  build: says("build"),
  trade: says("call-licensed-trade"),
  know: says("good-know"),
  kept: says("accepted-reason"),
} as const;
export type Doing = keyof typeof DOING;
export const NOTES: Record<Doing, string> = {
  say: says("nobody-has-said-yet"),
  press: says("definite-change-ready-applied"),
  build: says("decided-measured-made-hand"),
  trade: says("mains-gas-shown-here"),
  know: says("nothing-done"),
  kept: says("answered-can-opened-again"),
};

/** What is to be done about a finding. Mains and gas go to their trade where no press in the design settles them. */
export function doing(f: Finding): Doing {
  if (!isOpen(f)) return "kept";
  if (f.severity === "question") return "say";
  if (f.severity === "note") return "know";
  if (f.fix) return "press";
  if (f.stage === "gas" || f.rule.startsWith("wire-ac")) return "trade";
  return "build";
}

/** What fields are called, and their units, by their keys. */
export type Labels = Record<string, Schemas["Word"] | undefined>;
/** A key as words where the labels have not come yet. */
const plain = (key: string) => key.replaceAll("_", " ");

const CHOICES: Record<string, string | undefined> = words.choices;

/** What an id of the design, or of something that operations add to it, is called. */
function nameOf(design: Design, ops: PatchOp[], id: unknown): string | undefined {
  if (typeof id !== "string") return undefined;
  const there = Object.values(design).flatMap((part) => (part && typeof part === "object" ? Object.values(part) : []));
  const items = [...ops.map((op) => op.value), ...there.flatMap((x) => (Array.isArray(x) ? x : []))] as ({ id?: string; name?: string } | null | undefined)[];
  return items.find((x) => x?.id === id)?.name;
}

/** A value as it is read, in the unit of its field; a choice by its words. */
export function valueWord(value: unknown, unit: string, units: UnitSystem): string {
  if (value === null || value === undefined) return says("not-entered");
  if (typeof value === "number") return show(value, unit, units);
  if (typeof value === "boolean") return value ? says("yes") : says("no");
  if (typeof value === "string") return CHOICES[value] ?? plain(value);
  if (Array.isArray(value)) return says("them", { value_count: value.length });
  return (value as { name?: string }).name ?? says("proposed");
}

/** What a place in the design is called: its field, and the nearest thing round it that has a name. */
export function placeWords(design: Design, path: string, labels: Labels): { what: string; unit: string } {
  const parts = path.split("/").slice(1);
  const key = parts.findLast((p) => !/^\d+$/.test(p)) ?? "";
  const { label, unit } = labels[key] ?? { label: plain(key), unit: "" };
  const round = parts.map((_, n) => at(design, `/${parts.slice(0, n + 1).join("/")}`) as { name?: string } | null).findLast((x) => x?.name);
  return { what: round?.name ? says("of-thing", { what: label, name: round.name }) : label, unit };
}

/** What operations change, each as “fuse 10 A → 15 A”; what stays the same is left out. */
export function changes(design: Design, ops: PatchOp[], units: UnitSystem, labels: Labels): string[] {
  const out: string[] = [];
  for (const op of ops) {
    if (op.op === "test") continue;
    const last = op.path.split("/").at(-1) as string;
    if (op.op === "add") {
      const kind = op.path.split("/").at(-2) ?? "";
      out.push(`+ ${((op.value as { name?: string } | null)?.name || labels[kind]?.label) ?? plain(kind)}`);
      continue;
    }
    if (last === "part" || last === "name") continue;
    const now = at(design, op.path);
    if (op.op === "remove") {
      out.push(`− ${(now as { name?: string } | null)?.name ?? labels[last]?.label ?? plain(last)}`);
      continue;
    }
    if (JSON.stringify(now ?? null) === JSON.stringify(op.value ?? null)) continue;
    const { label, unit } = labels[last] ?? { label: plain(last), unit: "" };
    if (last === "awg") {
      const size = (x: unknown) => (x ? `${String(x)} AWG` : says("not-entered"));
      out.push(says("change-of", { label, was: size(now), becomes: size(op.value) }));
      continue;
    }
    const word = (x: unknown) => nameOf(design, ops, x) ?? valueWord(x, unit, units);
    out.push(says("change-of", { label, was: word(now), becomes: word(op.value) }));
  }
  return [...new Set(out)];
}

/** Remedies of several findings as one list of operations; doubled ones once. Removals come last, from the end, so that no index moves under another. */
export function together(findings: Finding[]): PatchOp[] {
  const seen = new Set<string>();
  const all = findings
    .flatMap((f) => (f.fix?.patch ?? []) as unknown as PatchOp[])
    .filter((op) => {
      const key = JSON.stringify(op);
      if (seen.has(key)) return false;
      seen.add(key);
      return true;
    });
  const late = (op: PatchOp) => op.op === "remove";
  return [...all.filter((op) => !late(op)), ...all.filter(late).sort((a, b) => b.path.localeCompare(a.path, "en", { numeric: true }))];
}

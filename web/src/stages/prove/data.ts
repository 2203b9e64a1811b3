/** Prove as the page uses it: the ladder of steps, the search for a fault, the rigs; and the edits that take a step down. */
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import type { FigureKey } from "../../../generated/figures";
import { api, type PatchOp, type Schemas, take } from "../../data/client";
import { freshId } from "../../data/patch";
import { useVariant } from "../../data/variant";
import { says } from "../../words/prove";
import { localDay } from "../build/data";

export type Commissioning = Schemas["CommissioningPart"];
export type Step = Commissioning["steps"][number];
export type Rung = Commissioning["rungs"][number];
export type StepRecord = Schemas["StepRecord"];
export type Finder = Schemas["FinderPart"];
export type Answer = Schemas["Answer"];
export type Rig = Schemas["RigPart"];
export type RigAct = Schemas["RigAct"];

export const VIEWS = {
  ladder: says("ladder"),
  loops: says("loops"),
  readings: says("power-2"),
  finder: says("find-fault"),
  practice: says("practice"),
  live: says("live"),
  record: says("record"),
} as const;

export const STATES: Record<string, string> = {
  locked: says("locked"),
  open: says("do-2"),
  pass: says("passed"),
  marginal: says("not-sure"),
  fail: says("failed"),
  again: says("prove-again"),
};

const BAD = ["fail", "again", "marginal", "open", "locked", "pass"];

/** The state that matters most of several steps; one that is passed in part is open. */
export function worst(states: string[]): string {
  if (states.includes("fail")) return "fail";
  if (states.every((s) => s === "pass")) return "pass";
  return BAD.find((s) => s !== "pass" && states.includes(s)) ?? "open";
}

export function useCommissioning() {
  const { id, stamp } = useVariant();
  return useQuery({
    queryKey: ["commissioning", id, stamp],
    queryFn: () => take(api.GET("/api/variants/{variant_id}/commissioning", { params: { path: { variant_id: id } } })),
    placeholderData: keepPreviousData,
  });
}

export function useStarts() {
  const { id, stamp } = useVariant();
  return useQuery({
    queryKey: ["starts", id, stamp],
    queryFn: () => take(api.GET("/api/variants/{variant_id}/finder", { params: { path: { variant_id: id } } })),
    placeholderData: keepPreviousData,
  });
}

export function useFinder(start: string | null, answers: Answer[], licensed: boolean) {
  const { id, stamp } = useVariant();
  return useQuery({
    queryKey: ["finder", id, stamp, start, answers, licensed],
    queryFn: () => take(api.POST("/api/variants/{variant_id}/finder", { params: { path: { variant_id: id } }, body: { start: start!, answers, licensed } })),
    enabled: start != null,
    placeholderData: keepPreviousData,
    retry: false,
  });
}

export function useRigs() {
  const { id, stamp } = useVariant();
  return useQuery({
    queryKey: ["rigs", id, stamp],
    queryFn: () => take(api.GET("/api/variants/{variant_id}/rigs", { params: { path: { variant_id: id } } })),
  });
}

export function useRig(rig: string, seed: number, acts: RigAct[], guess: { element: string; fault: string } | null, wanted: boolean) {
  const { id } = useVariant();
  return useQuery({
    queryKey: ["rig", id, rig, seed, acts, guess],
    queryFn: () => take(api.POST("/api/variants/{variant_id}/rigs", { params: { path: { variant_id: id } }, body: { rig, seed, acts, guess } })),
    enabled: wanted,
    placeholderData: keepPreviousData,
    retry: false,
  });
}

export type Live = Schemas["LivePart"];

/** What the devices say, asked every second while it is looked at. */
export function useLive(wanted: boolean) {
  const { id, revision } = useVariant();
  return useQuery({
    queryKey: ["live", id, revision],
    queryFn: () => take(api.GET("/api/variants/{variant_id}/live", { params: { path: { variant_id: id } } })),
    enabled: wanted,
    refetchInterval: 1000,
    retry: false,
    gcTime: 0,
  });
}

/** The last 24 hours, asked every minute while they are looked at. */
export function useLiveDay(wanted: boolean) {
  const { id } = useVariant();
  return useQuery({
    queryKey: ["live-day", id],
    queryFn: () => take(api.GET("/api/variants/{variant_id}/live/day", { params: { path: { variant_id: id } } })),
    enabled: wanted,
    refetchInterval: 60_000,
    retry: false,
    gcTime: 0,
  });
}

/** A value in the unit of its step, as it is shown. */
export const inUnit = (v: number | null | undefined, unit: string) =>
  v == null ? "" : v >= 1e4 && unit === "MΩ" ? says("over-range") : `${Number(v.toPrecision(4))} ${unit}`.trim();

/** What is right, in words. */
export function rightOf(s: Step): string {
  const say = (x: number) => `${Number(x.toPrecision(3))}`;
  if (s.low != null && s.high != null) return says("to-4", { low: say(s.low), high: say(s.high), unit: s.unit });
  if (s.low != null) return says("least", { low: say(s.low), unit: s.unit });
  if (s.high != null) return says("most", { high: say(s.high), unit: s.unit });
  return "";
}

/** The figures behind what a step expects: each opens its working. */
export function figuresOf(s: Step): FigureKey[] {
  if (s.record === "loop") return [`circuits/${s.record_id}/resistance_mohm`];
  if (s.record === "reading" && s.subject === s.record_id && s.unit === "A")
    return (["expected_a", "low_a", "high_a", "expected_v"] as const).map((k) => `prove/${s.record_id}/${k}` as const);
  return [];
}

/** Edits of the steps: each an entry of the record that stays. */
export function useSteps() {
  const { design, edit } = useVariant();
  const list = design.facts?.steps ?? [];
  const repairs = design.facts?.repairs ?? [];
  const readings = design.facts?.readings ?? [];
  const of = (id: string): StepRecord | undefined => list.find((x) => x.id === id);
  return {
    of,
    repairs,
    set: (s: Step, fields: Partial<StepRecord>) => {
      const i = list.findIndex((x) => x.id === s.id);
      const before = i < 0 ? {} : list[i];
      const value = { ...before, id: s.id, on: localDay(new Date()), ...fields };
      const op: PatchOp = i < 0 ? { op: "add", path: "/facts/steps/-", value } : { op: "replace", path: `/facts/steps/${i}`, value };
      return edit([op], s.title);
    },
    /** Says that the vehicle has been in use already; struck with null. */
    inService: (fields: { who: string; note: string } | null) => {
      const i = list.findIndex((x) => x.id === "in-service");
      if (!fields) return i < 0 ? Promise.resolve(false) : edit([{ op: "remove", path: `/facts/steps/${i}` }], says("hasnt-been-use"));
      const value = { id: "in-service", ok: true, on: localDay(new Date()), ...fields };
      return edit([i < 0 ? { op: "add", path: "/facts/steps/-", value } : { op: "replace", path: `/facts/steps/${i}`, value }], says("use-already"));
    },
    clear: (s: Step) => {
      const i = list.findIndex((x) => x.id === s.id);
      return i < 0 ? Promise.resolve(false) : edit([{ op: "remove", path: `/facts/steps/${i}` }], says("struck", { title: s.title }));
    },
    /** A repair goes into the record; what it touched of a circuit is measured again. */
    repair: (subject: string, cause: { id: string; name: string; stage: string }, who: string, note: string, minutes: number) => {
      const id = freshId(
        `repair-${subject}`.slice(0, 34),
        repairs.map((r) => r.id!),
      );
      const kind = cause.id.replace(/-(0\.1|0\.5|2)$/, "");
      const value = { id, subject, cause: kind, name: cause.name.slice(0, 100), stage: cause.stage, on: localDay(new Date()), who, note, minutes };
      const ops: PatchOp[] = [{ op: "add", path: "/facts/repairs/-", value }];
      const i = readings.findIndex((r) => r.circuit === subject);
      if (i >= 0) ops.push({ op: "remove", path: `/facts/readings/${i}` });
      return edit(ops, says("mended-3", { cause: cause.name }));
    },
  };
}

/** Who may do a stage of the ladder. */
export const WHO: Record<string, string> = { anyone: says("who-anyone"), two: says("who-two"), licensed: says("who-licensed"), driver: says("who-driver") };

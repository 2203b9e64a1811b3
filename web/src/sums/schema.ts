/** Reading a calculator's contract (JSON Schema) for its form. */

import { HEAT_W, OPENING_MM2 } from "../data/show";
import type { Dimension } from "../data/units";

export type Schema = {
  type?: string;
  $ref?: string;
  anyOf?: Schema[];
  enum?: (string | number)[];
  const?: string | number;
  properties?: Record<string, Schema>;
  required?: string[];
  items?: Schema;
  default?: unknown;
  minItems?: number;
  additionalProperties?: Schema | boolean;
  $defs?: Record<string, Schema>;
  /** Groups of keys of which exactly one is given. */
  "x-one-of"?: string[][];
};
export type Input = Record<string, unknown>;

/** The schema behind references and behind "or null". */
export function resolved(schema: Schema, root: Schema): Schema {
  if (schema.$ref) return resolved({ ...root.$defs?.[schema.$ref.split("/").pop() ?? ""], default: schema.default }, root);
  const real = schema.anyOf?.filter((s) => s.type !== "null");
  if (real?.length) return resolved({ ...real[0], default: schema.default }, root);
  return schema;
}

/** Keys worth showing at once: required ones, those of the example, and what was said; the rest are the defaults. */
export function split(schema: Schema, example: Input, said: Input): { first: string[]; more: string[] } {
  const all = Object.keys(schema.properties ?? {});
  const shown = new Set([...(schema.required ?? []), ...Object.keys(example), ...Object.keys(said)]);
  return { first: all.filter((k) => shown.has(k)), more: all.filter((k) => !shown.has(k)) };
}

type Reading = { dimension: Dimension; unit: string; factor: number };
const READINGS: [RegExp, Reading][] = [
  [/_w_m2k$/, { dimension: "transmittance", unit: "W/(m²K)", factor: 1 }],
  [/_w_k$/, { dimension: "conductance", unit: "W/K", factor: 1 }],
  [/_n$/, { dimension: "force", unit: "N", factor: 1 }],
  [/_(w_m2|m2k_w|w_mk|j_kgk|kg_m3|kg_m2|g_h|l_h|l_min|m_s|ppm|kj_k|cost_per_m2)$/, { dimension: "count", unit: "", factor: 1 }],
  [/_m3_h$/, { dimension: "airflow", unit: "m³/h", factor: 1 }],
  [/_m2$/, { dimension: "surface", unit: "m²", factor: 1 }],
  [/_m3$/, { dimension: "volume", unit: "m³", factor: 0.001 }],
  [/_kpa$/, { dimension: "pressure", unit: "kPa", factor: 0.001 }],
  [/_pa$/, { dimension: "pressure", unit: "Pa", factor: 1 }],
  [/_mm2$/, { dimension: "area", unit: "mm²", factor: 1 }],
  [/_mohm$/, { dimension: "resistance", unit: "mΩ", factor: 1 }],
  [/_wh$/, { dimension: "energy", unit: "Wh", factor: 1 }],
  [/_ah$/, { dimension: "charge", unit: "Ah", factor: 1 }],
  [/_kg$/, { dimension: "mass", unit: "kg", factor: 1 }],
  [/_mm$/, { dimension: "length", unit: "mm", factor: 1000 }],
  [/_frac$/, { dimension: "fraction", unit: "%", factor: 1 }],
  [/(_per_k|_per_h|_per_day|_count)$/, { dimension: "count", unit: "", factor: 1 }],
  [/_(w|va)$/, { dimension: "power", unit: "W", factor: 1 }],
  [/_a$/, { dimension: "current", unit: "A", factor: 1 }],
  [/_v$/, { dimension: "voltage", unit: "V", factor: 1 }],
  [/_h$/, { dimension: "time", unit: "h", factor: 1 }],
  [/_s$/, { dimension: "time", unit: "s", factor: 3600 }],
  [/_m$/, { dimension: "length", unit: "m", factor: 1 }],
  [/_c$/, { dimension: "temperature", unit: "°C", factor: 1 }],
];

/** How a number under this key is written, and what turns the core's unit into the key's; `told` is the unit as the core tells it. */
export function readingOf(key: string, told = ""): Reading {
  const reading = READINGS.find(([pattern]) => pattern.test(key))?.[1] ?? { dimension: "count", unit: "", factor: 1 };
  if (told === HEAT_W) return { ...reading, unit: told };
  return told === OPENING_MM2 ? { dimension: "surface", unit: told, factor: 1e6 } : reading;
}

/** Pairs as they are written, "blade_mini 10; class_t 1", as a map; null when a pair has no number. */
export function pairsOf(text: string): Record<string, number> | null {
  const pairs = text
    .split(";")
    .map((p) => p.trim())
    .filter(Boolean)
    .map((p) => p.match(/^(.+?)[\s:=]+(\d+(?:[.,]\d+)?)$/));
  if (pairs.some((p) => p === null)) return null;
  return Object.fromEntries(pairs.map((p) => [p?.[1]?.trim().replace(/ /g, "_"), Number(p?.[2]?.replace(",", "."))]));
}

/** The input without a key, or with a new value for it. */
export function withValue(input: Input, key: string, value: unknown): Input {
  const next = { ...input };
  if (value === null || value === undefined || value === "") delete next[key];
  else next[key] = value;
  return next;
}

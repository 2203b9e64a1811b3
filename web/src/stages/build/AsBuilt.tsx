/** Built otherwise than designed: the value as it was built goes into the design, after its findings were looked at. */

import { useState } from "react";
import type { PatchOp, Report } from "../../data/client";
import { severityWord } from "../../data/findings";
import { preview, turns } from "../../data/preview";
import { show } from "../../data/show";
import type { Dimension } from "../../data/units";
import { useVariant } from "../../data/variant";
import { Quantity, type Understood } from "../../parts/Quantity";
import { usePerson, useSaid } from "../../shell/person";
import { says } from "../../words/build";
import { useDayWord, useLog } from "./data";

type Field = { key: string; label: string; dimension: Dimension; unit: string };
type Thing = { of: string; name: string; path: string; item: Record<string, unknown>; fields: Field[] };
const LENGTH: Field = { key: "length_m", label: says("length"), dimension: "length", unit: "m" };
const BORE: Field = { key: "inner_diameter_mm", label: says("inside-diameter"), dimension: "length", unit: "mm" };
const FUSE: Field = { key: "fuse_a", label: says("fuse"), dimension: "current", unit: "A" };
const SIZE: Field = { key: "area_mm2", label: says("size-cable"), dimension: "area", unit: "mm²" };

/** What may be built otherwise: cables, pipes and ducts of the design. */
function useThings(): Thing[] {
  const { design } = useVariant();
  const of = (kind: string, path: string, rows: readonly object[] | undefined, fields: Field[]) =>
    (rows ?? []).map((r, i) => {
      const item = r as Record<string, unknown>;
      return { of: `${kind}:${item.id}`, name: String(item.name), path: `${path}/${i}`, item, fields };
    });
  return [
    ...of("circuit", "/wiring/circuits", design.wiring?.circuits, [LENGTH, SIZE, FUSE]),
    ...of("water", "/water/runs", design.water?.runs, [LENGTH, BORE]),
    ...of("drain", "/water/drains", design.water?.drains, [LENGTH, BORE]),
    ...of("gas", "/gas/pipes", design.gas?.pipes, [LENGTH, BORE]),
    ...of("duct", "/warmth/ducts", design.warmth?.ducts, [LENGTH, { ...BORE, key: "diameter_mm", label: says("diameter") }]),
  ];
}

export function AsBuilt() {
  const dayWord = useDayWord();
  const v = useVariant();
  const log = useLog();
  const say = useSaid();
  const { units } = usePerson();
  const things = useThings();
  const [of, setOf] = useState("");
  const [key, setKey] = useState("");
  const [value, setValue] = useState<Understood | null>(null);
  const [reason, setReason] = useState("");
  const [then, setThen] = useState<Report | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const thing = things.find((t) => t.of === of);
  const field = thing?.fields.find((f) => f.key === key) ?? thing?.fields[0];
  const start = (next: string) => {
    setOf(next);
    setKey("");
    setValue(null);
    setThen(null);
    setWrong(null);
  };
  const opsOf = (): PatchOp[] => {
    if (!thing || !field || !value) return [];
    const set: object =
      field.key === "area_mm2" ? (value.awg ? { awg: value.awg, area_mm2: null } : { area_mm2: value.value, awg: null }) : { [field.key]: value.value };
    return Object.entries(set).map(([k, x]) => ({ op: "replace", path: `${thing.path}/${k}`, value: x }));
  };
  const was = thing && field ? (field.key === "area_mm2" && thing.item.awg ? `${thing.item.awg} AWG` : (thing.item[field.key] as number | null)) : null;
  const asText = (x: number | string | null, unit: string) => (x == null ? "" : typeof x === "string" ? x : `${Math.round(1000 * x) / 1000} ${unit}`);
  const look = async () => {
    setWrong(null);
    try {
      setThen(await preview(v, opsOf()));
    } catch (e) {
      setWrong((e as Error).message);
    }
  };
  const keep = async () => {
    if (!thing || !field || !value) return;
    const built = value.awg ? `${value.awg} AWG` : asText(value.value, field.unit);
    if (
      await log.builtOtherwise(opsOf(), { of: thing.of, name: thing.name, value: field.label, designed: asText(was, field.unit), built, reason: reason.trim() })
    ) {
      setReason("");
      start("");
    }
  };
  const { comes, goes } = then ? turns(v.report.findings, then.findings) : { comes: [], goes: [] };
  return (
    <section aria-label={says("built-otherwise")}>
      <h2 className="m-0 mb-1 font-display text-[16px]">{says("built-otherwise")}</h2>
      {log.asBuilt.length > 0 && (
        <ul className="m-0 list-none p-0 text-[13px]">
          {[...log.asBuilt].reverse().map((x) => (
            <li key={x.id} className="border-b border-line/60 py-0.5">
              {dayWord(x.on)}: {x.name}, {x.value} {say(x.built)}
              {x.designed && says("designed", { designed: say(x.designed) })}
              {x.reason && <span className="text-dim"> · {x.reason}</span>}
            </li>
          ))}
        </ul>
      )}
      <p className="my-1 text-[13px] text-dim">{says("longer-cable-another-fuse")}</p>
      <div className="flex flex-wrap items-center gap-1 text-[13px]">
        <select className="field max-w-56" aria-label={says("what-was-built-otherwise")} value={of} onChange={(e) => start(e.target.value)}>
          <option value="">{says("which")}</option>
          {things.map((t) => (
            <option key={t.of} value={t.of}>
              {say(t.name)}
            </option>
          ))}
        </select>
        {thing && field && (
          <>
            <select
              className="field"
              aria-label={says("which-values")}
              value={field.key}
              onChange={(e) => {
                setKey(e.target.value);
                setValue(null);
                setThen(null);
              }}
            >
              {thing.fields.map((f) => (
                <option key={f.key} value={f.key}>
                  {f.label}
                </option>
              ))}
            </select>
            <span className="num">{typeof was === "number" ? show(was, field.unit, units) : (was ?? "–")} →</span>
            <Quantity
              key={`${of}-${field.key}`}
              className="w-24"
              label={says("built", { field: field.label })}
              dimension={field.dimension}
              unit={field.key === "area_mm2" && v.report.wire_series === "awg" ? "awg" : field.unit}
              value={value?.value ?? null}
              text={value?.awg ? `${value.awg} AWG` : undefined}
              clearable
              placeholder={says("built-2")}
              onCommit={(q) => {
                setValue(q);
                setThen(null);
              }}
            />
            <input
              className="field min-w-0 flex-1"
              aria-label={says("why")}
              placeholder={says("why-2")}
              maxLength={400}
              value={reason}
              onChange={(e) => setReason(e.target.value)}
            />
            <button type="button" className="btn" disabled={!value} onClick={() => void look()}>
              {says("what-does-change")}
            </button>
          </>
        )}
      </div>
      {wrong && (
        <p role="alert" className="my-1 text-[13px] text-rust">
          {wrong}
        </p>
      )}
      {then && (
        <div role="status" className="my-1 text-[13px]">
          {comes.map((f) => (
            <p key={f.id} className="my-1 border-l-2 border-rust pl-2">
              <b>
                {severityWord(f.severity)} {say(f.title, f.stage)}
              </b>
              : {f.subject_name}. {say(f.message)}
            </p>
          ))}
          {comes.length === 0 && <p className="my-1">{says("no-danger-fault-comes")}</p>}
          {goes.length > 0 && <p className="my-1">{says("ends", { goes: goes.map((f) => f.title).join(", ") })}</p>}
          <button type="button" className="btn btn-main" onClick={() => void keep()}>
            {comes.length ? says("was-built-all-same") : says("was-built")}
          </button>
        </div>
      )}
    </section>
  );
}

/** What if: slide a length, a size, a load, and see what moves before anything is kept. */

import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import type { Circuit, PatchOp, Report } from "../../data/client";
import { severityWord } from "../../data/findings";
import { setFields } from "../../data/lists";
import { preview, turns } from "../../data/preview";
import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { FuseWindow } from "../../pictures/FuseWindow";
import { usePerson, useSaid } from "../../shell/person";
import { says } from "../../words/wiring";
import { AWG_SIZES, METRIC_SIZES } from "./words";

type Slid = { length?: number; size?: number; load?: number };
const ROWS: [string, string, string][] = [
  ["path_drop_v", says("lost-busbar-appliance"), "V"],
  ["drop_v", says("lost-cable"), "V"],
  ["worst_v", says("voltage-end-worst-moment"), "V"],
  ["heat_w", says("heat-cable"), "W"],
  ["ampacity_a", says("cable-carries"), "A"],
  ["current_a", says("current"), "A"],
];

function Slider(props: { label: string; text: string; min: number; max: number; step: number; value: number; onSlide: (v: number) => void }) {
  const { label, text, onSlide, ...range } = props;
  return (
    <label className="block py-0.5">
      <span className="flex justify-between gap-2">
        {label} <span className="num">{text}</span>
      </span>
      <input
        type="range"
        className="w-full accent-[#d9a400]"
        aria-label={label}
        aria-valuetext={text}
        {...range}
        onChange={(e) => onSlide(Number(e.target.value))}
      />
    </label>
  );
}

/** Operations for what was slid. */
export function slidOps(c: Circuit, circuits: Circuit[], slid: Slid, awg: boolean, load: { index: number } | null): PatchOp[] {
  const fields: Record<string, unknown> = {};
  if (slid.length !== undefined) fields.length_m = slid.length;
  if (slid.size !== undefined) Object.assign(fields, awg ? { awg: AWG_SIZES[slid.size], area_mm2: null } : { area_mm2: METRIC_SIZES[slid.size], awg: null });
  const ops = setFields("/wiring/circuits", circuits, c.id, fields);
  if (slid.load !== undefined && load) ops.push({ op: "replace", path: `/life/appliances/${load.index}/power_w`, value: slid.load });
  return ops;
}

function Moves({ c, then }: { c: Circuit; then: Report }) {
  const say = useSaid();
  const { report } = useVariant();
  const { units } = usePerson();
  const a = report.wiring.circuits[c.id] as unknown as Record<string, number | null> | undefined;
  const part = then.wiring.circuits[c.id];
  const b = part as unknown as Record<string, number | null> | undefined;
  if (!a || !b || !part) return null;
  const { comes, goes } = turns(report.findings, then.findings);
  return (
    <>
      <table className="my-1 w-full text-[12px]">
        <thead className="text-left text-chalk-dim">
          <tr>
            <th scope="col" className="font-normal">
              <span className="sr-only">{says("what-3")}</span>
            </th>
            <th scope="col" className="text-right font-normal">
              {says("now-2")}
            </th>
            <th scope="col" className="text-right font-normal">
              {says("then-2")}
            </th>
          </tr>
        </thead>
        <tbody>
          {ROWS.filter(([key]) => a[key] != null || b[key] != null).map(([key, label, unit]) => (
            <tr key={key}>
              <td>{label}</td>
              <td className="num text-right">{show(a[key], unit, units)}</td>
              <td className={`num pl-3 text-right ${a[key] !== b[key] ? "text-[#f0d27a]" : ""}`}>{show(b[key], unit, units)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <FuseWindow part={part} />
      {goes.map((f) => (
        <p key={f.id} className="my-0.5 text-[12px]">
          {says("goes", { title: f.title, subject_name: f.subject_name })}
        </p>
      ))}
      {comes.map((f) => (
        <p key={f.id} className="my-0.5 border-l-2 border-[#f08a70] pl-2 text-[12px]">
          {says("comes", { severity: severityWord(f.severity), title: say(f.title, f.stage), subject_name: f.subject_name })}
        </p>
      ))}
      {!goes.length && !comes.length && <p className="my-0.5 text-[12px] text-chalk-dim">{says("no-danger-problem-comes")}</p>}
    </>
  );
}

export function WhatIf({ c }: { c: Circuit }) {
  const say = useSaid();
  const v = useVariant();
  const { units } = usePerson();
  const [open, setOpen] = useState(false);
  const [slid, setSlid] = useState<Slid>({});
  const [asked, setAsked] = useState<PatchOp[]>([]);
  const part = v.report.wiring.circuits[c.id];
  const circuits = v.design.wiring?.circuits ?? [];
  const appliances = v.design.life?.appliances ?? [];
  const on = (c.appliances ?? []).map((id) => appliances.findIndex((a) => a.id === id)).filter((i) => appliances[i]?.power_w != null);
  const heaviest = on.sort((i, j) => (appliances[j]?.power_w ?? 0) - (appliances[i]?.power_w ?? 0))[0];
  const load = heaviest === undefined ? null : { index: heaviest, name: appliances[heaviest]!.name, watts: appliances[heaviest]!.power_w! };
  const awg = v.report.wire_series === "awg" || c.awg != null;
  const sizes: string[] = awg ? AWG_SIZES.map((s) => `${s} AWG`) : METRIC_SIZES.map((s) => say(`${s} mm²`, "wiring"));
  const at = awg ? AWG_SIZES.indexOf(c.awg ?? "") : METRIC_SIZES.findIndex((s) => s >= (c.area_mm2 ?? part?.best_area_mm2 ?? 0));
  const ops = slidOps(c, circuits, slid, awg, load);
  const key = JSON.stringify(ops);
  useEffect(() => {
    const timer = setTimeout(() => setAsked(JSON.parse(key)), 90);
    return () => clearTimeout(timer);
  }, [key]);
  const made = useQuery({
    queryKey: ["preview", v.id, v.revision, asked],
    queryFn: () => preview(v, asked),
    enabled: open && asked.length > 0,
    placeholderData: keepPreviousData,
    retry: false,
  });
  if (!part) return null;
  const length = slid.length ?? part.length_m;
  const index = slid.size ?? Math.max(0, at);
  return (
    <section className="my-1 border-y border-slate-2 py-1" aria-label={says("what-if")}>
      <button type="button" className="underline decoration-dotted underline-offset-2" aria-expanded={open} onClick={() => setOpen(!open)}>
        {says("what-if-were-longer")}
      </button>
      {open && (
        <>
          <Slider
            label={says("length-one-way")}
            text={show(length, "m", units)}
            min={0.2}
            max={Math.max(12, Math.ceil(part.length_m * 2))}
            step={0.1}
            value={length}
            onSlide={(x) => setSlid({ ...slid, length: x })}
          />
          <Slider
            label={says("size-cable")}
            text={sizes[index] ?? ""}
            min={0}
            max={sizes.length - 1}
            step={1}
            value={index}
            onSlide={(x) => setSlid({ ...slid, size: x })}
          />
          {load && (
            <Slider
              label={says("power", { load: load.name })}
              text={show(slid.load ?? load.watts, "W", units)}
              min={1}
              max={Math.max(10, Math.round(load.watts * 3))}
              step={1}
              value={slid.load ?? load.watts}
              onSlide={(x) => setSlid({ ...slid, load: x })}
            />
          )}
          {made.error && ops.length > 0 && <p className="my-1 text-[#f0c445]">{(made.error as Error).message}</p>}
          {made.data && ops.length > 0 && <Moves c={c} then={made.data} />}
          {ops.length > 0 ? (
            <div className="mt-1 flex gap-1">
              <button
                type="button"
                className="btn btn-main"
                onClick={() => {
                  void v.edit(ops, says("kept-what-was-tried", { name: c.name }));
                  setSlid({});
                }}
              >
                {says("keep-2")}
              </button>
              <button type="button" className="btn btn-slate" onClick={() => setSlid({})}>
                {says("back-what")}
              </button>
            </div>
          ) : (
            <p className="my-1 text-[12px] text-chalk-dim">{says("slide-one-nothing-kept")}</p>
          )}
        </>
      )}
    </section>
  );
}

/** Find or do: one field for stages, items, findings, sums and actions. */

import { useCallback, useMemo, useRef, useState } from "react";
import { useNavigate, useParams } from "react-router";
import { severityWord } from "../data/findings";
import { searchFor } from "../data/kin";
import { useFindings } from "../data/trip";
import { useVariant } from "../data/variant";
import { useMethod } from "../method/data";
import { sectionPath } from "../method/Sources";
import { says } from "../words/shell";
import { useCall } from "./call";
import { useSaid } from "./person";
import { STAGES, stageOf } from "./stages";

type Hit = { word: string; what: string; run: () => void };

export function Find({ actions }: { actions: Hit[] }) {
  const { variantId } = useParams();
  const go = useNavigate();
  const { design, report } = useVariant();
  const [text, setText] = useState("");
  const findings = useFindings();
  const method = useMethod();
  const say = useSaid();
  const [open, setOpen] = useState(false);
  const [at, setAt] = useState(0);
  const field = useRef<HTMLInputElement>(null);

  useCall(
    "bothy:find",
    useCallback(() => field.current?.focus(), []),
  );

  const all = useMemo<Hit[]>(() => {
    const to = (stage: string, hand?: string) => () => go(`/v/${variantId}/${stage}${hand ? `?hand=${hand}` : ""}`);
    return [
      ...STAGES.map((s) => ({ word: s.word, what: says("stage", { key: s.key }), run: to(s.id) })),
      ...actions,
      ...(design.life?.appliances ?? []).map((a) => ({ word: a.name, what: says("appliance"), run: to("life", `appliance:${a.id}`) })),
      ...(design.wiring?.circuits ?? []).map((c) => ({
        word: `${report.wiring.circuits[c.id]?.code ?? ""} ${c.name}`,
        what: says("circuit"),
        run: to("wiring", `circuit:${c.id}`),
      })),
      ...(design.warmth?.heaters ?? []).map((h) => ({
        word: h.name,
        what: says("heater"),
        run: () => go(`/v/${variantId}/warmth?view=heating&hand=heater:${h.id}`),
      })),
      ...(design.water?.tanks ?? []).map((t) => ({
        word: t.name ?? t.id,
        what: says("tank"),
        run: () => go(`/v/${variantId}/water?view=tanks&hand=tank:${t.id}`),
      })),
      ...(design.water?.runs ?? []).map((r) => ({
        word: r.name ?? r.id,
        what: says("water-pipe"),
        run: () => go(`/v/${variantId}/water?view=taps&hand=run:${r.id}`),
      })),
      ...(design.gas?.appliances ?? []).map((a) => ({
        word: a.name,
        what: says("gas-appliance"),
        run: () => go(`/v/${variantId}/gas?hand=appliance:${a.id}`),
      })),
      ...(design.gas?.pipes ?? []).map((p) => ({ word: p.name, what: says("gas-pipe"), run: () => go(`/v/${variantId}/gas?view=pipes&hand=run:${p.id}`) })),
      ...(design.warmth?.ducts ?? []).map((d) => ({ word: d.name, what: says("duct"), run: () => go(`/v/${variantId}/warmth?view=ducts&hand=duct:${d.id}`) })),
      ...(design.warmth?.vents ?? []).map((x) => ({ word: x.name, what: says("vent"), run: () => go(`/v/${variantId}/warmth?view=air&hand=vent:${x.id}`) })),
      ...(design.warmth?.build_ups ?? []).map((b) => ({ word: b.name, what: says("a-build-up"), run: () => go(`/v/${variantId}/warmth?hand=build:${b.id}`) })),
      ...findings.map((f) => ({
        word: `${say(f.title)}: ${f.subject_name}`,
        what: severityWord(f.severity),
        run: () => go(`/v/${variantId}/${stageOf(f.subject, f.stage)}`, { state: { finding: f.id } }),
      })),
      ...(method.data ?? []).flatMap((p) =>
        p.sections.map((s) => ({ word: s.title, what: says("how-calculated", { title: p.title.toLowerCase() }), run: () => go(sectionPath(s.id)) })),
      ),
    ];
  }, [design, report, findings, method.data, go, variantId, actions, say]);
  const hits = useMemo(() => {
    const wanted = searchFor(text);
    return all.filter((h) => wanted(`${h.word} ${h.what}`)).slice(0, 12);
  }, [all, text]);

  const run = (hit: Hit | undefined) => {
    if (!hit) return;
    setText("");
    setOpen(false);
    field.current?.blur();
    hit.run();
  };

  return (
    <div className="relative w-64 max-w-full">
      <input
        ref={field}
        role="combobox"
        aria-expanded={open}
        aria-controls="find-hits"
        aria-activedescendant={open && hits[at] ? `hit-${at}` : undefined}
        aria-label={says("find-do")}
        placeholder={says("find-do-2")}
        className="field w-full"
        maxLength={200}
        value={text}
        onFocus={() => setOpen(true)}
        onBlur={() => setTimeout(() => setOpen(false), 120)}
        onChange={(e) => {
          setText(e.target.value);
          setAt(0);
          setOpen(true);
        }}
        onKeyDown={(e) => {
          if (e.key === "ArrowDown") setAt(Math.min(at + 1, hits.length - 1));
          else if (e.key === "ArrowUp") setAt(Math.max(at - 1, 0));
          else if (e.key === "Enter") run(hits[at]);
          else if (e.key === "Escape") field.current?.blur();
          else return;
          e.preventDefault();
        }}
      />
      {open && (
        <ul
          id="find-hits"
          role="listbox"
          aria-label={says("found")}
          className="absolute left-0 right-0 z-40 m-0 mt-0.5 max-h-96 list-none overflow-y-auto border border-peat bg-sheet p-0"
        >
          {hits.map((h, i) => (
            <li
              key={`${h.what}${h.word}${i}`}
              id={`hit-${i}`}
              role="option"
              aria-selected={i === at}
              className={`flex cursor-pointer justify-between gap-3 px-2 py-1 ${i === at ? "bg-gorse/25" : ""}`}
              onMouseDown={(e) => {
                e.preventDefault();
                run(h);
              }}
            >
              <span className="truncate">{h.word}</span>
              <span className="shrink-0 text-[12px] text-dim">{h.what}</span>
            </li>
          ))}
          {!hits.length && <li className="px-2 py-1 text-dim">{says("nothing-found-try-appliance")}</li>}
        </ul>
      )}
    </div>
  );
}

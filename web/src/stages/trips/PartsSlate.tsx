/** The slate of the search: what it may use, a set in hand with the buttons that take it over, or a part of one's own. */
import { useCatalogue } from "../../data/catalogue";
import { CHEMISTRIES } from "../../data/chemistries";
import type { Schemas } from "../../data/client";
import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { FindingList } from "../../parts/Findings";
import { ChoiceProperty, FlagProperty, QuantityProperty } from "../../parts/Property";
import { useHand } from "../../shell/hand";
import { useMoney, usePerson, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { Adopt } from "./Adopt";
import { OwnPartSlate, OwnParts } from "./OwnParts";
import type { SizedSet } from "./ParetoPicture";
import { useView } from "./views";
import { GOALS } from "./words";

type Sizing = Schemas["Sizing"];
const REASON: Record<string, string> = {
  roof: "no room on the roof",
  payload: "too heavy",
  budget: "too dear",
  controller: "no controller takes the string",
  current: "bank too weak for the largest current",
  cold: "cells would freeze while charging",
  alternator: "alternator or bank too small for the charger",
};

function SetSlate({ set, now }: { set: SizedSet; now: SizedSet | null }) {
  const { money } = useMoney();
  const { units } = usePerson();
  const hand = useHand();
  const { turnTo } = useView();
  const name = set.words[0] ?? "set";
  return (
    <Slate title={set.key === "now" ? "As it is" : "A set of parts"} sub={set.words.join("; ")}>
      <button type="button" className="underline" onClick={() => hand.drop()}>
        back to the search
      </button>
      <dl className="m-0 mt-1 grid grid-cols-[1fr_auto] gap-x-2 [&_dd]:num [&_dd]:m-0 [&_dd]:text-right [&_dt]:border-b [&_dt]:border-slate-2 [&_dd]:border-b [&_dd]:border-slate-2">
        <dt>price</dt>
        <dd>{set.price == null ? "a part without a price" : money(set.price)}</dd>
        <dt>mass</dt>
        <dd>{show(set.mass_kg, "kg", units)}</dd>
        <dt>panels</dt>
        <dd>{show(set.array_w, "W")}</dd>
        <dt>bank, on its label</dt>
        <dd>{show(set.bank_wh / 1000, "kWh")}</dd>
        <dt>days short</dt>
        <dd>
          {show(set.short_days_frac, "%", units, 2)}
          {set.error_frac != null && ` ± ${(100 * set.error_frac).toFixed(1)}`}
        </dd>
        <dt>missing, a day</dt>
        <dd>{show(set.missing_wh_day, "Wh", units, 2)}</dd>
        <dt>least charge, 1 trip in 10</dt>
        <dd>{show(set.least_soc_p10, "%", units, 2)}</dd>
        {now && set.key !== "now" && now.price != null && set.price != null && (
          <>
            <dt>against what is there now</dt>
            <dd>
              {`${set.price >= now.price ? "+" : "−"}${money(Math.abs(set.price - now.price))}, ${set.mass_kg >= now.mass_kg ? "+" : "−"}${show(Math.abs(set.mass_kg - now.mass_kg), "kg", units, 2)}`}
            </dd>
          </>
        )}
      </dl>
      {set.patch.length > 0 && <Adopt ops={set.patch as never} name={name} onHere={() => turnTo("trip")} />}
    </Slate>
  );
}

export function PartsSlate({ run }: { run: Schemas["SizingRun"] | undefined }) {
  const say = useSaid();
  const { currency } = useMoney();
  const { units } = usePerson();
  const { design, edit, report } = useVariant();
  const hand = useHand();
  const catalogue = useCatalogue();
  const s = design.sizing ?? ({} as Sizing);
  const part = hand.kind === "part" ? s.own?.find((p) => p.id === hand.id) : undefined;
  if (part) return <OwnPartSlate part={part} />;
  const chosen = hand.kind === "set" && run ? [...run.front, ...(run.now ? [run.now] : [])].find((x) => x.key === hand.id) : undefined;
  if (chosen) return <SetSlate set={chosen} now={run?.now ?? null} />;
  const set = (key: keyof Sizing, value: unknown, what: string) => void edit([{ op: "replace", path: `/sizing/${key}`, value }], what);
  const makers = [...new Set((catalogue.data ?? []).filter((p) => ["battery", "panel", "controller", "dcdc"].includes(p.kind)).map((p) => p.maker))].sort();
  const toggled = <T,>(list: T[] | undefined, all: T[], x: T, on: boolean) => {
    const now = list?.length ? list : all;
    const next = on ? [...now, x] : now.filter((y) => y !== x);
    return next.length === all.length ? [] : next;
  };
  const allowed = report.assumptions.find((a) => a.path === "/vehicle/payload_kg")?.value ?? design.vehicle?.payload_kg;
  return (
    <Slate title="Search" sub="what it may use">
      {run && <FindingList findings={run.findings} empty="" />}
      <ChoiceProperty label="best is" value={s.goal ?? "cost"} options={GOALS} onSet={(v) => set("goal", v, "best is")} />
      <QuantityProperty
        label="days without enough power: limit"
        value={design.trips?.short_days_frac}
        dimension="fraction"
        unit=""
        onSet={(v) => void edit([{ op: "replace", path: "/trips/short_days_frac", value: v ?? 0.02 }], "days short at most")}
      />
      <QuantityProperty
        label={`budget, ${currency}`}
        value={s.budget}
        dimension="count"
        unit=""
        clearable
        placeholder="no limit"
        onSet={(v) => set("budget", v, "budget")}
      />
      <QuantityProperty
        label="mass, at most"
        value={s.mass_most_kg}
        dimension="mass"
        unit="kg"
        clearable
        placeholder={`payload, ${show(Number(allowed ?? 0), "kg", units)}`}
        onSet={(v) => set("mass_most_kg", v, "mass at most")}
      />
      <QuantityProperty
        label="roof for panels"
        value={s.roof_m2}
        dimension="surface"
        unit="m²"
        clearable
        placeholder="60 % of the inside"
        onSet={(v) => set("roof_m2", v, "roof for panels")}
      />
      <QuantityProperty
        label="panels, at most"
        value={s.panels_most}
        dimension="count"
        unit=""
        onSet={(v) => set("panels_most", Math.round(v ?? 8), "panels at most")}
      />
      <ChoiceProperty
        label="system voltage"
        value={(s.voltages ?? []).join(",") as ""}
        options={[
          { value: "", word: "as it is" },
          { value: "12", word: "12 V" },
          { value: "24", word: "24 V" },
          { value: "12,24", word: "12 or 24 V" },
          { value: "12,24,48", word: "12, 24 or 48 V" },
        ]}
        onSet={(v) => set("voltages", v ? v.split(",").map(Number) : [], "system voltage of the search")}
      />
      <details>
        <summary className="cursor-pointer">Batteries of {s.chemistries?.length ? "some kinds" : "all kinds"}</summary>
        {CHEMISTRIES.map((c) => (
          <FlagProperty
            key={c.value}
            label={c.word}
            value={!s.chemistries?.length || s.chemistries.includes(c.value as never)}
            onSet={(on) =>
              set(
                "chemistries",
                toggled<string>(
                  s.chemistries,
                  CHEMISTRIES.map((x) => x.value),
                  c.value,
                  on,
                ),
                "kinds of batteries",
              )
            }
          />
        ))}
      </details>
      <details>
        <summary className="cursor-pointer">Parts of {s.makers?.length ? "some makers" : "all makers"}</summary>
        {makers.map((m) => (
          <FlagProperty
            key={m}
            label={m}
            value={!s.makers?.length || s.makers.includes(m)}
            onSet={(on) => set("makers", toggled(s.makers, makers, m, on), "makers")}
          />
        ))}
      </details>
      <OwnParts />
      {run && (
        <>
          <h3 className="mb-1 mt-3 font-display text-[14px]">What limits it</h3>
          <p className="my-1">{run.binding}</p>
          <ul className="m-0 pl-4 text-[12px] text-chalk-dim">
            {Object.entries(run.dropped).map(([reason, count]) => (
              <li key={reason}>
                {count.toLocaleString("en-GB")} left out: {REASON[reason] ?? reason}
              </li>
            ))}
          </ul>
          <p className="my-1 text-[12px] text-chalk-dim">
            {say(
              "Inverter, hook-up charger and panels with a controller of their own stay as they are. Prices are the catalogue’s, without cables, fuses and fixings.",
            )}{" "}
            {run.simulated_count.toLocaleString("en-GB")} runs of {run.day_count} days.
          </p>
        </>
      )}
    </Slate>
  );
}

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
import { says } from "../../words/trips";
import { Adopt } from "./Adopt";
import { OwnPartSlate, OwnParts } from "./OwnParts";
import type { SizedSet } from "./ParetoPicture";
import { useView } from "./views";
import { GOALS } from "./words";

type Sizing = Schemas["Sizing"];
const REASON: Record<string, string> = {
  roof: says("no-room-roof"),
  payload: says("too-heavy"),
  budget: says("too-dear"),
  controller: says("no-controller-takes-string"),
  current: says("bank-too-weak-largest"),
  cold: says("cells-would-freeze-while"),
  alternator: says("alternator-bank-too-small"),
};

function SetSlate({ set, now }: { set: SizedSet; now: SizedSet | null }) {
  const { money } = useMoney();
  const { units } = usePerson();
  const hand = useHand();
  const { turnTo } = useView();
  const name = set.words[0] ?? "set";
  return (
    <Slate title={set.key === "now" ? says("as-it-is-3") : says("set-parts")} sub={set.words.join("; ")}>
      <button type="button" className="underline" onClick={() => hand.drop()}>
        {says("back-search")}
      </button>
      <dl className="m-0 mt-1 grid grid-cols-[1fr_auto] gap-x-2 [&_dd]:num [&_dd]:m-0 [&_dd]:text-right [&_dt]:border-b [&_dt]:border-slate-2 [&_dd]:border-b [&_dd]:border-slate-2">
        <dt>{says("price")}</dt>
        <dd>{set.price == null ? says("part-without-price") : money(set.price)}</dd>
        <dt>{says("mass")}</dt>
        <dd>{show(set.mass_kg, "kg", units)}</dd>
        <dt>{says("panels")}</dt>
        <dd>{show(set.array_w, "W")}</dd>
        <dt>{says("bank-label")}</dt>
        <dd>{show(set.bank_wh / 1000, "kWh")}</dd>
        <dt>{says("days-short")}</dt>
        <dd>
          {show(set.short_days_frac, "%", units, 2)}
          {set.error_frac != null && ` ± ${(100 * set.error_frac).toFixed(1)}`}
        </dd>
        <dt>{says("missing-day")}</dt>
        <dd>{show(set.missing_wh_day, "Wh", units, 2)}</dd>
        <dt>{says("least-charge-trip")}</dt>
        <dd>{show(set.least_soc_p10, "%", units, 2)}</dd>
        {now && set.key !== "now" && now.price != null && set.price != null && (
          <>
            <dt>{says("against-what-there-now")}</dt>
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
    <Slate title={says("search")} sub={says("what-may-use")}>
      {run && <FindingList findings={run.findings} empty="" />}
      <ChoiceProperty label={says("best")} value={s.goal ?? "cost"} options={GOALS} onSet={(v) => set("goal", v, says("best"))} />
      <QuantityProperty
        label={says("days-without-enough-power")}
        value={design.trips?.short_days_frac}
        dimension="fraction"
        unit=""
        onSet={(v) => void edit([{ op: "replace", path: "/trips/short_days_frac", value: v ?? 0.02 }], says("days-short-most"))}
      />
      <QuantityProperty
        label={says("budget", { currency })}
        value={s.budget}
        dimension="count"
        unit=""
        clearable
        placeholder={says("no-limit")}
        onSet={(v) => set("budget", v, says("budget-2"))}
      />
      <QuantityProperty
        label={says("mass-most")}
        value={s.mass_most_kg}
        dimension="mass"
        unit="kg"
        clearable
        placeholder={says("payload", { allowed: show(Number(allowed ?? 0), "kg", units) })}
        onSet={(v) => set("mass_most_kg", v, says("mass-most-2"))}
      />
      <QuantityProperty
        label={says("roof-panels")}
        value={s.roof_m2}
        dimension="surface"
        unit="m²"
        clearable
        placeholder={says("inside")}
        onSet={(v) => set("roof_m2", v, says("roof-panels"))}
      />
      <QuantityProperty
        label={says("panels-most")}
        value={s.panels_most}
        dimension="count"
        unit=""
        onSet={(v) => set("panels_most", Math.round(v ?? 8), says("panels-most-2"))}
      />
      <ChoiceProperty
        label={says("system-voltage")}
        value={(s.voltages ?? []).join(",") as ""}
        options={[
          { value: "", word: says("as-it-is-2") },
          { value: "12", word: "12 V" },
          { value: "24", word: "24 V" },
          { value: "12,24", word: says("v") },
          { value: "12,24,48", word: says("v-2") },
        ]}
        onSet={(v) => set("voltages", v ? v.split(",").map(Number) : [], says("system-voltage-search"))}
      />
      <details>
        <summary className="cursor-pointer">{says("batteries-some-kinds-all", { has_chemistries: Boolean(s.chemistries?.length) })}</summary>
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
                says("kinds-batteries"),
              )
            }
          />
        ))}
      </details>
      <details>
        <summary className="cursor-pointer">{says("parts-some-makers-all", { has_makers: Boolean(s.makers?.length) })}</summary>
        {makers.map((m) => (
          <FlagProperty
            key={m}
            label={m}
            value={!s.makers?.length || s.makers.includes(m)}
            onSet={(on) => set("makers", toggled(s.makers, makers, m, on), says("makers"))}
          />
        ))}
      </details>
      <OwnParts />
      {run && (
        <>
          <h3 className="mb-1 mt-3 font-display text-[14px]">{says("what-limits")}</h3>
          <p className="my-1">{run.binding}</p>
          <ul className="m-0 pl-4 text-[12px] text-chalk-dim">
            {Object.entries(run.dropped).map(([reason, count]) => (
              <li key={reason}>{says("left-out", { count: count.toLocaleString("en-GB"), reason: REASON[reason] ?? reason })}</li>
            ))}
          </ul>
          <p className="my-1 text-[12px] text-chalk-dim">
            {says("runs-days", {
              inverter_hook_up: say(says("inverter-hook-up-charger")),
              simulated_count: run.simulated_count,
              day_count: run.day_count,
            })}
          </p>
        </>
      )}
    </Slate>
  );
}

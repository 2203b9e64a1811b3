/** Stage 3, Power: is there enough, and what limits it? */

import { useState } from "react";
import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { Fig } from "../../parts/Fig";
import { ItemMark } from "../../parts/Findings";
import { Proposals } from "../../parts/Proposals";
import { Token } from "../../parts/Token";
import { Bench } from "../../shell/Bench";
import { useHand } from "../../shell/hand";
import { useSaid } from "../../shell/person";
import { says } from "../../words/power";
import { seasonWord } from "../life/words";
import { EnergyFlow } from "./EnergyFlow";
import { Panels } from "./Panels";
import { PowerSlate } from "./PowerSlate";
import { fitted, PARTS } from "./parts";

const VOLTAGES = [12, 24, 48].map((v) => ({ value: String(v), word: `${v} V` }));

function Sentence({ season }: { season: string }) {
  const say = useSaid();
  const { design, report } = useVariant();
  const hand = useHand();
  const p = design.power ?? {};
  const b = report.power.seasons.find((s) => s.season === season);
  const word = (id: "bank" | "solar" | "inverter" | "driving", text: string) => (
    <button
      type="button"
      className="border-0 bg-transparent p-0 font-semibold underline decoration-gorse decoration-2 underline-offset-4"
      onClick={() => hand.pick("power", id)}
    >
      {text}
    </button>
  );
  const sum = report.power.summary;
  return (
    <>
      A{" "}
      <Token
        path="/power/system_voltage_v"
        label={says("system-voltage")}
        choices={VOLTAGES}
        value={String(p.system_voltage_v ?? report.system_voltage_v)}
        shown={`${report.system_voltage_v} V`}
      />{" "}
      {says("system")} {word("bank", sum.charge_ah ? says("bank-2", { charge_ah: show(sum.charge_ah, "Ah") }) : says("no-bank-yet"))},{" "}
      {word("solar", sum.array_power_w ? says("panels-2", { array_power_w: show(sum.array_power_w, "W") }) : says("no-panels-yet"))},{" "}
      {word("driving", p.driving ? says("while-driving", { rating_a: show(p.driving.rating_a, "A") }) : says("nothing-driving-yet"))} {says("and")}{" "}
      {word("inverter", p.inverter ? says("inverter", { rating_w: show(p.inverter.rating_w, "W") }) : says("no-inverter"))}
      {says("day-needs", { season: say(seasonWord(season)) })} <Fig k={`power/${season}/demand_wh`} /> {says("brings")} <Fig k={`power/${season}/supply_wh`} />
      {b?.standing_days != null ? (
        <>
          {says("standing-still-full-empty")} <Fig k={`power/${season}/standing_days`} />
          {b.drive_wh > 0 &&
            (b.days != null ? (
              <>
                {says("driving-2")} <Fig k={`power/${season}/days`} />
              </>
            ) : (
              says("driving-never")
            ))}
          .
        </>
      ) : (
        "."
      )}
    </>
  );
}

function Supply() {
  const { design } = useVariant();
  const hand = useHand();
  return (
    <table className="w-full border-collapse text-[13px]" aria-label={says("supply")}>
      <tbody>
        {PARTS.filter((p) => p.id !== "solar" || !design.power?.arrays?.length).map((p) => {
          const what = fitted(design, p.id);
          const on = hand.kind === "power" && hand.id === p.id;
          return (
            <tr key={p.id} className={`border-b border-line/60 ${on ? "bg-gorse/15" : "hover:bg-bench/60"}`}>
              <td className="w-6 px-1 text-center">
                <ItemMark subject={p.id} />
              </td>
              <th scope="row" className="w-36 px-1.5 py-1 text-left font-normal">
                {p.word}
              </th>
              <td className="px-1.5">
                <button
                  type="button"
                  className={`text-left ${what ? "" : "text-dim"} underline decoration-dotted underline-offset-2`}
                  onClick={() => hand.pick("power", p.id)}
                >
                  {what ?? says("none-yet", { blurb: p.blurb })}
                  <span className="sr-only">{says("change", { word: p.word })}</span>
                </button>
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

function Seasons({ season, onPick }: { season: string; onPick: (s: string) => void }) {
  const say = useSaid();
  const { report } = useVariant();
  const cells = ["demand_wh", "solar_wh", "drive_wh", "supply_wh", "balance_wh", "days", "standing_days"] as const;
  const heads = [says("goes-out"), says("sun"), says("driving"), says("comes"), says("balance"), says("full-empty"), says("standing-still")];
  return (
    <section aria-label={says("need-against-have-season")} className="px-3 py-2">
      <h2 className="m-0 mb-1 font-display text-[15px] font-semibold">{say(says("need-against-have-day"), "wiring")}</h2>
      <table className="w-full border-collapse text-[13px]">
        <thead className="text-[11px] text-dim">
          <tr>
            <th scope="col" className="text-left">
              {says("season")}
            </th>
            {heads.map((h) => (
              <th key={h} scope="col" className="text-right font-semibold">
                {h}
              </th>
            ))}
            <th scope="col" className="text-right font-semibold">
              {says("covered")}
            </th>
          </tr>
        </thead>
        <tbody>
          {report.power.seasons.map((s) => (
            <tr key={s.season} className={`border-t border-line/60 ${s.season === season ? "bg-gorse/15" : ""}`}>
              <th scope="row" className="py-1 text-left font-normal">
                <button
                  type="button"
                  className="underline decoration-dotted underline-offset-2"
                  aria-pressed={s.season === season}
                  onClick={() => onPick(s.season)}
                >
                  {say(seasonWord(s.season))}
                </button>
                {!s.planned && <span className="text-dim"> {says("not-plan")}</span>}
              </th>
              {cells.map((c) => (
                <td key={c} className="num text-right">
                  {c === "days" && s.days == null ? (
                    s.balance_wh < 0 ? (
                      "–"
                    ) : (
                      says("never")
                    )
                  ) : c === "standing_days" && s.standing_days == null ? (
                    s.solar_wh < s.demand_wh ? (
                      "–"
                    ) : (
                      says("never")
                    )
                  ) : (
                    <Fig k={`power/${s.season}/${c}`} />
                  )}
                </td>
              ))}
              <td className="num text-right">{`${Math.round(100 * s.cover_frac)} %`}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

export function Component() {
  const { design, report } = useVariant();
  const [picked, setPicked] = useState<string | null>(null);
  const season = picked ?? report.power.seasons.filter((s) => s.planned).sort((a, b) => a.balance_wh - b.balance_wh)[0]?.season ?? "winter";
  const any = !!design.life?.appliances?.length;
  return (
    <Bench
      title={says("power")}
      sentence={any ? <Sentence season={season} /> : says("nothing-used-yet-nothing")}
      picture={any ? <EnergyFlow season={season} /> : undefined}
      ledger={
        <>
          <Supply />
          <Panels season={season} />
          <Proposals groups={["inverter", "solar", "bank", "driving", "shore"]} empty={says("nothing-propose-until-daily")} />
          <Seasons season={season} onPick={setPicked} />
        </>
      }
      slate={<PowerSlate season={season} />}
    />
  );
}

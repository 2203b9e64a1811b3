/** The sentence of Gas: who may do the work first of all, then which gas, how much, and how long it lasts. */

import { useVariant } from "../../data/variant";
import { Fig } from "../../parts/Fig";
import { Token } from "../../parts/Token";
import { useSaid } from "../../shell/person";
import { says } from "../../words/gas";
import { useGas } from "./edit";
import { COOKING, GASES, SMELL, wordOf } from "./words";

export function Sentence() {
  const { design, report } = useVariant();
  const { g, part } = useGas();
  const say = useSaid();
  const gas = g.gas ?? "propane";
  return (
    <>
      <span className="mb-1 block border-l-4 border-rust pl-2 text-[12.5px] leading-snug" role="note" aria-label={says("who-may-do-work")}>
        <strong>{says("planning-aid")}</strong> {say(says("gas-work-live-system"))} {report.region_name}: {say(part.law.installs)} <strong>{SMELL}</strong>
      </span>
      {says("cooking-2")}{" "}
      <Token
        path="/gas/cooking"
        label={says("cooking-3")}
        choices={COOKING}
        value={g.cooking ?? ""}
        shown={g.cooking ? wordOf(COOKING, g.cooking) : says("not-decided-yet")}
      />
      .{" "}
      {!part.aboard ? (
        says("there-no-gas-board")
      ) : (
        <>
          {says("appliances-burn")} <Fig k="gas/total_kg_day" /> {says("of")}{" "}
          <Token path="/gas/gas" label={says("gas-2")} choices={GASES} value={gas} shown={wordOf(GASES, gas)} /> {says("day")}{" "}
          {part.days != null ? (
            <>
              {says("asked-last")}{" "}
              <Token
                path={g.target_days == null ? "/life/nights_between_hookups" : "/gas/target_days"}
                label={says("days-last")}
                dimension="count"
                unit=""
                value={g.target_days ?? design.life?.nights_between_hookups}
                shown={says("days", { target_days: part.target_days })}
              />
              {says("vessels-give")} <Fig k="gas/autonomy_days" /> {says("reserve-nights")} <Fig k="gas/coldest_c" />.
            </>
          ) : (
            says("no-vessel-holds-any")
          )}
        </>
      )}
    </>
  );
}

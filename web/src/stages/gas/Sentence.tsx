/** The sentence of Gas: who may do the work first of all, then which gas, how much, and how long it lasts. */

import { useVariant } from "../../data/variant";
import { Fig } from "../../parts/Fig";
import { Token } from "../../parts/Token";
import { useSaid } from "../../shell/person";
import { useGas } from "./edit";
import { COOKING, GASES, SMELL, wordOf } from "./words";

export function Sentence() {
  const { design, report } = useVariant();
  const { g, part } = useGas();
  const say = useSaid();
  const gas = g.gas ?? "propane";
  return (
    <>
      <span className="mb-1 block border-l-4 border-rust pl-2 text-[12.5px] leading-snug" role="note" aria-label="Who may do this work">
        <strong>Planning aid.</strong> {say("Gas work on a live system belongs to a licensed fitter.")} {report.region_name}: {say(part.law.installs)}{" "}
        <strong>{SMELL}</strong>
      </span>
      Cooking{" "}
      <Token path="/gas/cooking" label="cooking" choices={COOKING} value={g.cooking ?? ""} shown={g.cooking ? wordOf(COOKING, g.cooking) : "not decided yet"} />
      .{" "}
      {!part.aboard ? (
        "There is no gas on board: no locker, no vents, no test."
      ) : (
        <>
          The appliances burn <Fig k="gas/total_kg_day" /> of <Token path="/gas/gas" label="gas" choices={GASES} value={gas} shown={wordOf(GASES, gas)} /> a
          day.{" "}
          {part.days != null ? (
            <>
              Asked to last{" "}
              <Token
                path={g.target_days == null ? "/life/nights_between_hookups" : "/gas/target_days"}
                label="days to last"
                dimension="count"
                unit=""
                value={g.target_days ?? design.life?.nights_between_hookups}
                shown={`${part.target_days} days`}
              />
              , the vessels give <Fig k="gas/autonomy_days" /> with a reserve, on nights of <Fig k="gas/coldest_c" />.
            </>
          ) : (
            "No vessel holds any of it yet."
          )}
        </>
      )}
    </>
  );
}

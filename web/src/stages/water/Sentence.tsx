/** The sentence of Water: who uses how much, and which store ends the stay. */

import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { Fig } from "../../parts/Fig";
import { Token } from "../../parts/Token";
import { useSaid } from "../../shell/person";
import { useWater } from "./edit";
import { STORES, STYLES, wordOf } from "./words";

export function Sentence() {
  const say = useSaid();
  const { design, report } = useVariant();
  const { w, part } = useWater();
  const people = design.life?.people ?? report.assumptions.find((a) => a.path === "/life/people")?.value ?? 2;
  return (
    <>
      <Token path="/life/people" label="people" dimension="count" unit="" value={design.life?.people} shown={String(people)} />{" "}
      {Number(people) === 1 ? "person uses" : "people use"} water{" "}
      <Token path="/water/use/style" label="use" choices={STYLES} value={w.use?.style ?? "moderate"} shown={wordOf(STYLES, w.use?.style ?? "moderate")} />:{" "}
      <Fig k="water/total_l_day" /> a day, <Fig k="water/grey_l_day" />
      {say(" of it come back grey.")}{" "}
      {part.limiting && part.days != null ? (
        <>
          Of the{" "}
          <Token
            path={w.use?.target_days == null ? "/life/nights_between_hookups" : "/water/use/target_days"}
            label="days to last"
            dimension="count"
            unit=""
            value={w.use?.target_days ?? design.life?.nights_between_hookups}
            shown={show(part.target_days, "days")}
          />{" "}
          asked for it lasts <Fig k="water/autonomy_days" />; then the {say(STORES[part.limiting] ?? part.limiting)}{" "}
          {["fresh", "drinking"].includes(part.limiting) ? "is empty" : "is full"}.
        </>
      ) : (
        "No store holds any of it yet."
      )}
    </>
  );
}

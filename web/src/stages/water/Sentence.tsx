/** The sentence of Water: who uses how much, and which store ends the stay. */

import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { Fig } from "../../parts/Fig";
import { Token } from "../../parts/Token";
import { useSaid } from "../../shell/person";
import { says } from "../../words/water";
import { useWater } from "./edit";
import { STORES, STYLES, wordOf } from "./words";

export function Sentence() {
  const say = useSaid();
  const { design, report } = useVariant();
  const { w, part } = useWater();
  const people = design.life?.people ?? report.assumptions.find((a) => a.path === "/life/people")?.value ?? 2;
  return (
    <>
      <Token path="/life/people" label={says("people")} dimension="count" unit="" value={design.life?.people} shown={String(people)} />{" "}
      {says("person-uses-people-use", { people: Number(people) })}{" "}
      <Token
        path="/water/use/style"
        label={says("use")}
        choices={STYLES}
        value={w.use?.style ?? "moderate"}
        shown={wordOf(STYLES, w.use?.style ?? "moderate")}
      />
      : <Fig k="water/total_l_day" /> {says("day-3")} <Fig k="water/grey_l_day" />
      {say(says("come-back-grey"))}{" "}
      {part.limiting && part.days != null ? (
        <>
          {says("of-the")}{" "}
          <Token
            path={w.use?.target_days == null ? "/life/nights_between_hookups" : "/water/use/target_days"}
            label={says("days-last")}
            dimension="count"
            unit=""
            value={w.use?.target_days ?? design.life?.nights_between_hookups}
            shown={show(part.target_days, "days")}
          />
          {says("asked-lasts")} <Fig k="water/autonomy_days" />
          {says("then-empty-full", { limiting: say(STORES[part.limiting] ?? part.limiting), limiting_2: ["fresh", "drinking"].includes(part.limiting) })}
        </>
      ) : (
        says("no-store-holds-any")
      )}
    </>
  );
}

/** The panels of the supply, a line an array: how many, how they lie, the controller they are on, and what a day of the season brings. */
import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { ItemLedger, useMaking } from "../../parts/ItemLedger";
import { says } from "../../words/power";
import { columnsOfArray } from "./arrayColumns";
import { useArrays } from "./edit";

export function Panels({ season }: { season: string }) {
  const { report } = useVariant();
  const list = useArrays();
  const { create } = useMaking({ ...list, add: list.make }, "array", () => ({}));
  const whole = Object.values(report.power.arrays).reduce((sum, a) => sum + (a.solar_wh[season] ?? 0), 0);
  return (
    <section aria-label={says("panels")} className="px-3 py-2">
      <div className="mb-1 flex items-baseline gap-3">
        <h2 className="m-0 font-display text-[15px] font-semibold">{says("panels")}</h2>
        <button type="button" className="btn" onClick={() => void create()}>
          {says("add-panels-n")}
        </button>
        {list.items.length > 1 && <span className="text-[12px] text-dim">{says("together-mean-day", { whole: show(whole, "Wh"), season })}</span>}
      </div>
      {list.items.length > 0 && (
        <ItemLedger
          label={says("panels")}
          list={list}
          kind="array"
          columns={columnsOfArray(list, report.power.arrays, season)}
          onAdd={() => void create()}
          empty={null}
        />
      )}
    </section>
  );
}

/** The roof on paper: the plan, a table of spots and cut-outs, the order of work at a hole, what to buy. */
import { cutOf, show, smallLength } from "../data/show";
import { useVariant } from "../data/variant";
import { usePerson, useSaid } from "../shell/person";
import { RoofPicture } from "../stages/fit/RoofPicture";
import { CUT, HELD, ROOF_CAUTION } from "../stages/fit/words";
import { says } from "../words/print";

export function RoofSheet() {
  const say = useSaid();
  const { units } = usePerson();
  const roof = useVariant().report.roof;
  if (!roof.laid) return <p>{says("nothing-lies-roof-yet")}</p>;
  const laid = roof.things.filter((t) => t.rect);
  return (
    <>
      <p className="border-l-2 border-gorse pl-2 text-[12px]">{say(`${CUT} ${ROOF_CAUTION}`)}</p>
      <div className="h-64">
        <RoofPicture roof={roof.shape} things={roof.things} beads />
      </div>
      <table className="mt-2 w-full border-collapse text-[12px]">
        <thead>
          <tr className="border-b border-line text-left text-[11px]">
            {[
              says("roof"),
              says("rear-edge-rear"),
              says("right-edge-left-centre"),
              says("held"),
              says("cut-out", { units: smallLength(units) }),
              says("centre-line"),
              says("next-rib"),
            ].map((h) => (
              <th key={h} className="px-1 py-0.5">
                {say(h)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {laid.map((t) => (
            <tr key={t.key} className="border-b border-line/60">
              <td className="px-1">{t.name}</td>
              <td className="num px-1">{show(t.rect![0], "m", units)}</td>
              <td className="num px-1">{show(t.rect![2], "m", units)}</td>
              <td className="px-1">{t.kept ? says("there") : HELD.find((h) => h.value === t.held_by)?.word}</td>
              <td className="num px-1">{t.cut?.hole ? cutOf(t.cut.length_mm, t.cut.width_mm, t.cut.radius_mm, units) : "–"}</td>
              <td className="num px-1">{t.cut?.to_centre_mm != null ? say(`${t.cut.to_centre_mm.toFixed(0)} mm`) : "–"}</td>
              <td className="num px-1">{t.cut?.rib ? say(`${t.cut.to_rib_mm!.toFixed(0)} mm, ${t.cut.rib.replace("-", " ")}`) : "–"}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <h2 className="mb-1 mt-3 font-display text-[15px]">{says("each-hole-order")}</h2>
      <ol className="m-0 list-decimal pl-5 text-[12px]">
        {roof.work.map((s) => (
          <li key={s.title}>
            <b>{say(s.title)}.</b> {say(s.text)}
          </li>
        ))}
      </ol>
      {roof.amounts.length > 0 && (
        <>
          <h2 className="mb-1 mt-3 font-display text-[15px]">{says("buy")}</h2>
          <ul className="m-0 pl-5 text-[12px]">
            {roof.amounts.map((a) => (
              <li key={a.key}>
                {a.packs} × {say(a.pack)} {say(a.name)}: {say(a.why)}
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  );
}

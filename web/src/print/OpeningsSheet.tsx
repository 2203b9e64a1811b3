/** Openings of sides, rear and floor on paper: each wall to scale, the numbers each cut is laid by, and the order of work. */
import { cutOf, show, smallLength } from "../data/show";
import { useVariant } from "../data/variant";
import { usePerson, useSaid } from "../shell/person";
import { SidePicture } from "../stages/fit/SidePicture";
import { CUT } from "../stages/fit/words";
import { says } from "../words/print";

export function OpeningsSheet() {
  const say = useSaid();
  const { units } = usePerson();
  const sides = useVariant().report.sides;
  if (!sides.set_out) return <p>{says("no-opening-set-out")}</p>;
  const cut = sides.things.filter((t) => t.set_out);
  return (
    <>
      <p className="border-l-2 border-gorse pl-2 text-[12px]">{say(CUT)}</p>
      {sides.faces
        .filter((f) => cut.some((t) => t.face === f.id))
        .map((f) => (
          <section key={f.id} className="break-inside-avoid">
            <h2 className="mb-1 mt-3 font-display text-[15px]">{f.name}</h2>
            <div className="h-56">
              <SidePicture face={f} things={sides.things} />
            </div>
            <table className="mt-1 w-full border-collapse text-[12px]">
              <thead>
                <tr className="border-b border-line text-left text-[11px]">
                  {[
                    says("head-opening"),
                    f.id === "rear" ? says("left-centre") : says("rear"),
                    f.id === "floor" ? says("left-centre") : says("over-floor"),
                    says("cut", { units: smallLength(units) }),
                    says("laid"),
                  ].map((h) => (
                    <th key={h} className="px-1 py-0.5">
                      {say(h)}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {cut
                  .filter((t) => t.face === f.id)
                  .map((t) => (
                    <tr key={t.key} className="border-b border-line/60 align-top">
                      <td className="px-1">{say(t.name)}</td>
                      <td className="num px-1">{show(t.u_m, "m", units)}</td>
                      <td className="num px-1">{show(t.v_m, "m", units)}</td>
                      <td className="num px-1">{t.kept ? says("there") : `${cutOf(t.length_mm, t.height_mm, t.radius_mm, units)}${t.measured ? "" : " ?"}`}</td>
                      <td className="px-1">{say(t.laid_by.slice(0, 2).join(" "))}</td>
                    </tr>
                  ))}
              </tbody>
            </table>
          </section>
        ))}
      {(
        [
          [says("each-hole-wall-order"), sides.work, cut.some((t) => t.face !== "floor" && !t.kept)],
          [says("each-hole-floor-order"), sides.floor_work, cut.some((t) => t.face === "floor" && !t.kept)],
        ] as const
      )
        .filter(([, , wanted]) => wanted)
        .map(([title, work]) => (
          <section key={title}>
            <h2 className="mb-1 mt-3 font-display text-[15px]">{title}</h2>
            <ol className="m-0 list-decimal pl-5 text-[12px]">
              {work.map((s) => (
                <li key={s.title}>
                  <b>{s.title}.</b> {say(s.text)}
                </li>
              ))}
            </ol>
          </section>
        ))}
    </>
  );
}

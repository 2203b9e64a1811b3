/** What is behind each wall, on paper: a wall a page, to hang up before it is closed. */
import { useVariant } from "../data/variant";
import { useSaid } from "../shell/person";
import { WallPicture, WallTable } from "../stages/fit/WallView";
import { says } from "../words/print";

export function Walls() {
  const say = useSaid();
  const { report } = useVariant();
  const walls = report.fit.walls.filter((w) => w.rows.length);
  if (!walls.length) return <p>{says("nothing-runs-behind-wall")}</p>;
  return (
    <>
      <p>{say(says("seen-inside-measured-rear"))}</p>
      {walls.map((w) => (
        <section key={w.id} className="mb-6 break-after-page" aria-label={w.name}>
          <h2 className="mb-1 font-display text-[16px]">{w.name}</h2>
          <div className="h-64">
            <WallPicture wall={w} />
          </div>
          <WallTable wall={w} />
        </section>
      ))}
    </>
  );
}

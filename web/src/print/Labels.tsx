/** The label sheet: a strip for each board way, and every wire label twice, once for each end. */
import { useSaid } from "../shell/person";
import { useBenchLists } from "./Lists";

const STRIP = "num flex h-[9mm] items-center overflow-hidden border border-dashed border-[#888] px-1.5 text-[9.5px] leading-[3.6mm] break-inside-avoid";

export function Labels() {
  const say = useSaid();
  const lists = useBenchLists();
  if (lists.error) return <p role="alert">The labels could not be fetched: {lists.error.message}</p>;
  if (!lists.data) return <p role="status">Drawing up the labels…</p>;
  const { labels, open } = lists.data;
  if (!labels.length) return <p>No circuit has its cable yet, so there is nothing to label.</p>;
  return (
    <>
      <p className="m-0 text-[11px]">
        {say("Print at 100 %, cut along the dashes. Wire labels come in pairs: one within 100 mm of each end.")}
        {open.length > 0 && ` Missing, because their cable is not chosen yet: ${open.join(", ")}.`}
      </p>
      <h2 className="m-0 mt-3 font-display text-[15px] font-semibold">On the boards</h2>
      <ul className="m-0 grid list-none grid-cols-[repeat(auto-fill,90mm)] gap-[1mm] p-0">
        {labels.map((l) => (
          <li key={l.circuit} className={`${STRIP} w-[90mm]`} title={l.board}>
            {l.board}
          </li>
        ))}
      </ul>
      <h2 className="m-0 mt-3 font-display text-[15px] font-semibold">On the wires, both ends</h2>
      <ul className="m-0 grid list-none grid-cols-[repeat(auto-fill,58mm)] gap-[1mm] p-0">
        {labels.flatMap((l) =>
          l.wires.flatMap((w) =>
            ["this end", "far end"].map((end) => (
              <li key={`${w} ${end}`} className={`${STRIP} w-[58mm]`} title={`${w}, ${end}`}>
                {w}
              </li>
            )),
          ),
        )}
      </ul>
    </>
  );
}

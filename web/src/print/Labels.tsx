/** The label sheet: a strip for each board way, and every wire label twice, once for each end. */
import { useSaid } from "../shell/person";
import { says } from "../words/print";
import { useBenchLists } from "./Lists";

const STRIP = "num flex h-[9mm] items-center overflow-hidden border border-dashed border-[#888] px-1.5 text-[9.5px] leading-[3.6mm] break-inside-avoid";

export function Labels() {
  const say = useSaid();
  const lists = useBenchLists();
  if (lists.error) return <p role="alert">{says("labels-could-not-fetched", { message: lists.error.message })}</p>;
  if (!lists.data) return <p role="status">{says("drawing-up-labels")}</p>;
  const { labels, open } = lists.data;
  if (!labels.length) return <p>{says("no-circuit-has-cable")}</p>;
  return (
    <>
      <p className="m-0 text-[11px]">
        {say(says("print-cut-along-dashes"))}
        {open.length > 0 && says("missing-because-their-cable", { open: open.join(", ") })}
      </p>
      <h2 className="m-0 mt-3 font-display text-[15px] font-semibold">{says("boards")}</h2>
      <ul className="m-0 grid list-none grid-cols-[repeat(auto-fill,90mm)] gap-[1mm] p-0">
        {labels.map((l) => (
          <li key={l.circuit} className={`${STRIP} w-[90mm]`} title={say(l.board, "wiring")}>
            {say(l.board, "wiring")}
          </li>
        ))}
      </ul>
      <h2 className="m-0 mt-3 font-display text-[15px] font-semibold">{says("wires-both-ends")}</h2>
      <ul className="m-0 grid list-none grid-cols-[repeat(auto-fill,58mm)] gap-[1mm] p-0">
        {labels.flatMap((l) =>
          l.wires.flatMap((w) =>
            [says("end-2"), says("far-end")].map((end) => (
              <li key={`${w} ${end}`} className={`${STRIP} w-[58mm]`} title={say(`${w}, ${end}`, "wiring")}>
                {say(w, "wiring")}
              </li>
            )),
          ),
        )}
      </ul>
    </>
  );
}

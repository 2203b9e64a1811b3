/** What a design's figures and findings rest on: sections of the method, standards, makers' data, own choices. */
import { useQuery } from "@tanstack/react-query";
import { api, take } from "../data/client";
import { useVariant } from "../data/variant";
import type { Source } from "../method/Sources";
import { useSaid } from "../shell/person";
import { says } from "../words/print";

const HEADS: [Source["kind"], string][] = [
  ["method", says("method-sections-how-calculated")],
  ["standard", says("standards-laws-papers-named")],
  ["maker", says("makers")],
  ["own", says("own-choices")],
];

export function SourceList() {
  const say = useSaid();
  const { id, revision, stamp } = useVariant();
  const asked = useQuery({
    queryKey: ["sources", id, stamp],
    queryFn: () => take(api.GET("/api/variants/{variant_id}/sources", { params: { path: { variant_id: id }, query: { revision } } })),
  });
  if (asked.isPending) return <p role="status">{says("gathering-sources")}</p>;
  if (asked.isError) return <p role="alert">{(asked.error as Error).message}</p>;
  return (
    <div className="columns-2 gap-8 text-[11px]">
      {HEADS.map(([kind, head]) => {
        const mine = asked.data.filter((s) => s.kind === kind);
        if (!mine.length) return null;
        return (
          <section key={kind} className="mb-3 break-inside-avoid-page">
            <h2 className="m-0 mb-1 font-display text-[13px] font-semibold">{head}</h2>
            <ul className="m-0 list-none p-0">
              {mine.map((s) => (
                <li key={`${s.text}${s.method}`}>
                  {say(s.text)}
                  {s.method && <span className="num text-dim"> {s.method}</span>}
                </li>
              ))}
            </ul>
          </section>
        );
      })}
    </div>
  );
}

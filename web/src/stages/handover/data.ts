/** Hand over as the page uses it: the book of a day, signatures and maintenance. */
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api, type Schemas, take } from "../../data/client";
import { freshId } from "../../data/patch";
import { useVariant } from "../../data/variant";
import { says } from "../../words/handover";
import { useDay } from "../build/data";

export type Book = Schemas["BookPart"];
export type Page = Schemas["BookPage"];

export function useBook() {
  const { id, stamp } = useVariant();
  const day = useDay();
  return useQuery({
    queryKey: ["book", id, stamp, day],
    queryFn: () => take(api.GET("/api/variants/{variant_id}/book", { params: { path: { variant_id: id }, query: { today: day } } })),
    placeholderData: keepPreviousData,
  });
}

export function useHandover() {
  const v = useVariant();
  const day = useDay();
  const doc = v.design.handover ?? {};
  const papers = v.design.facts?.papers ?? [];
  const services = v.design.facts?.services ?? [];
  return {
    ...v,
    doc,
    day,
    setManual: (name: string, text: string) => {
      const manuals = { ...(doc.manuals ?? {}) } as Record<string, string>;
      if (text.trim()) manuals[name] = text.trim();
      else delete manuals[name];
      return v.edit([{ op: "replace", path: "/handover/manuals", value: manuals }], says("manual", { name }));
    },
    setWhere: (key: string, text: string, what: string) => {
      const where = { ...(doc.where ?? {}) } as Record<string, string>;
      if (text.trim()) where[key] = text.trim();
      else delete where[key];
      return v.edit([{ op: "replace", path: "/handover/where", value: where }], what);
    },
    sign: (id: string, fields: { name: string; licence: string; number: string; signature: string }) => {
      const i = papers.findIndex((p) => p.id === id);
      const value = { id, on: day, ...fields };
      return v.edit([i < 0 ? { op: "add", path: "/facts/papers/-", value } : { op: "replace", path: `/facts/papers/${i}`, value }], says("signed-2", { id }));
    },
    strike: (id: string) => v.edit([{ op: "remove", path: `/facts/papers/${papers.findIndex((p) => p.id === id)}` }], says("struck-signature", { id })),
    serve: (item: string, name: string, on: string, more: object) =>
      v.edit(
        [
          {
            op: "add",
            path: "/facts/services/-",
            value: {
              id: freshId(
                `${on}-${item}`,
                services.map((s) => s.id!),
              ),
              item,
              on,
              ...more,
            },
          },
        ],
        says("done-3", { name }),
      ),
  };
}

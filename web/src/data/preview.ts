/** What a change would do, before it is made. */
import { api, type Finding, type PatchOp, type Report, take } from "./client";
import { overlaid, type VariantHand } from "./variant";

/** The report as it would be with these operations; nothing is saved. */
export async function preview(v: Pick<VariantHand, "id" | "revision" | "report">, ops: PatchOp[]): Promise<Report> {
  const made = await take(
    api.POST("/api/variants/{variant_id}/preview", {
      params: { path: { variant_id: v.id }, header: { "If-Match": String(v.revision) } },
      body: { ops: ops as never, message: "preview", author: "you" },
    }),
  );
  return overlaid(v.report, made.change);
}

const serious = (f: Finding) => f.severity === "danger" || f.severity === "fault";

/** Dangers and faults that come and go between two reports. */
export function turns(now: Finding[], then: Finding[]): { comes: Finding[]; goes: Finding[] } {
  const had = new Set(now.map((f) => f.id));
  const has = new Set(then.map((f) => f.id));
  return { comes: then.filter((f) => serious(f) && !had.has(f.id)), goes: now.filter((f) => serious(f) && !has.has(f.id)) };
}

/** The plan of the build as other pages know it: the day that is looked at, what the server reckons of it, and what it finds. */

import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { useSearchParams } from "react-router";
import { api, take } from "./client";
import { useFindings } from "./trip";
import { useVariant } from "./variant";

const pad = (n: number) => String(n).padStart(2, "0");
export const localDay = (d: Date) => `${d.getFullYear()}-${pad(d.getMonth() + 1)}-${pad(d.getDate())}`;

/** The day that is looked at: today, or the one in the address (?day=2027-03-14). */
export function useDay(): string {
  const [params] = useSearchParams();
  const asked = params.get("day");
  return asked && /^\d{4}-\d\d-\d\d$/.test(asked) ? asked : localDay(new Date());
}

export function useBuild(wanted = true) {
  const { id, stamp } = useVariant();
  const day = useDay();
  return useQuery({
    queryKey: ["build", id, stamp, day],
    queryFn: () => take(api.GET("/api/variants/{variant_id}/build", { params: { path: { variant_id: id }, query: { today: day } } })),
    placeholderData: (before, asked) => (asked?.queryKey[1] === id ? before : undefined), // of an earlier state of the same design
    enabled: wanted,
  });
}

/** Everything that is found. The plan of the build is no part of the report, since it hangs on the day: its findings count once somebody is planned or has
 * worked; `ask` for them, or have those that some page has asked for. */
export function useAllFindings(ask: boolean) {
  const { design } = useVariant();
  const found = useFindings();
  const planned = !!design.build?.people?.length || !!design.facts?.log?.length;
  const build = useBuild(ask && planned);
  const all = useMemo(() => (planned && build.data ? [...found, ...build.data.findings] : found), [planned, build.data, found]);
  return { all, planning: ask && planned && build.isPending, unplanned: planned ? build.error : null };
}

/** The quick run of the trip, and the findings of the report with those of the run. */
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { api, type Finding, take } from "./client";
import { useVariant } from "./variant";

/** The quick run of the revision in hand; the old one stays while a new one is on its way. */
export function useTrip() {
  const { id, revision, design } = useVariant();
  const ready = ((design.trips?.legs ?? []).length > 0 || design.trips?.live != null) && design.trips?.start_date != null && design.power?.bank != null;
  return useQuery({
    queryKey: ["trip", id, revision],
    queryFn: () => take(api.GET("/api/variants/{variant_id}/trip", { params: { path: { variant_id: id }, query: { revision } } })),
    placeholderData: keepPreviousData,
    enabled: ready,
    retry: false,
  });
}

/** All findings: of the report, and of the trip once it has been run. */
export function useFindings(): Finding[] {
  const { report } = useVariant();
  const trip = useTrip();
  const ready = trip.isEnabled;
  return useMemo(() => [...report.findings, ...((ready && trip.data?.findings) || [])], [report.findings, trip.data, ready]);
}

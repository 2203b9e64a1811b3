/** What the fields of a design are called, fetched once. */
import { useQuery } from "@tanstack/react-query";
import { api, take } from "./client";
import type { Labels } from "./worklist";

const NONE: Labels = {};

export function useLabels(): Labels {
  return useQuery({ queryKey: ["labels"], queryFn: () => take(api.GET("/api/labels")), staleTime: Number.POSITIVE_INFINITY }).data ?? NONE;
}

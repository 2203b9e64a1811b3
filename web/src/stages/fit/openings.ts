/** Parts that go through roof, walls or floor, of a kind. */
import { useQuery } from "@tanstack/react-query";
import { api, take } from "../../data/client";

export function useOpenings(kind: string) {
  const all = useQuery({ queryKey: ["openings"], queryFn: () => take(api.GET("/api/fit/openings")), staleTime: Number.POSITIVE_INFINITY });
  return (all.data ?? []).filter((p) => p.kind === kind);
}

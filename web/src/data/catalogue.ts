/** The parts of the catalogue, fetched once. */
import { useQuery } from "@tanstack/react-query";
import { api, take } from "./client";

export function useCatalogue() {
  return useQuery({ queryKey: ["catalogue"], queryFn: () => take(api.GET("/api/catalogue")), staleTime: Number.POSITIVE_INFINITY });
}

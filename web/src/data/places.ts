/** The places of the climate table, fetched once. */
import { useQuery } from "@tanstack/react-query";
import { api, take } from "./client";

export function usePlaces() {
  return useQuery({ queryKey: ["places"], queryFn: () => take(api.GET("/api/places")), staleTime: Number.POSITIVE_INFINITY });
}

/** The pages of the method, fetched once. */
import { useQuery } from "@tanstack/react-query";
import { api, take } from "../data/client";

export function useMethod() {
  return useQuery({ queryKey: ["method"], queryFn: () => take(api.GET("/api/method")), staleTime: Number.POSITIVE_INFINITY });
}

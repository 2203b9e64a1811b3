/** Jobs of a variant: started, asked after while they run, cancelled. */
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, type Schemas, take } from "./client";

type Kept = { job: Schemas["JobOut"] | null };

/** A kind of job of a variant: what its newest one is at, and the way to start and to cancel it. */
export function useJob<State extends Kept>(key: unknown[], ask: () => Promise<State>, begin: () => Promise<unknown>) {
  const client = useQueryClient();
  const state = useQuery({
    queryKey: key,
    queryFn: ask,
    refetchInterval: (q) => (["running", "waiting"].includes(q.state.data?.job?.state ?? "") ? 400 : false),
    staleTime: 0,
  });
  // An answer still under way was asked before the job began: it would say that there is none, and nobody would ask again.
  const again = async () => {
    await client.cancelQueries({ queryKey: key });
    await client.invalidateQueries({ queryKey: key });
  };
  const start = useMutation({ mutationFn: begin, onSettled: again });
  const cancel = useMutation({
    mutationFn: (job: string) => take(api.POST("/api/jobs/{job_id}/cancel", { params: { path: { job_id: job } } })),
    onSettled: again,
  });
  return { state: state.data, start, cancel };
}

/** Starts a job, shows how far it is, and stops it. */
import type { Schemas } from "../data/client";
import { says } from "../words/parts";

type Props = {
  job: Schemas["JobOut"] | null | undefined;
  word: string;
  what: string;
  start: { mutate: () => void; isPending: boolean; error: Error | null };
  cancel: { mutate: (id: string) => void };
  slate?: boolean;
  main?: boolean;
};

export function JobButton({ job, word, what, start, cancel, slate, main }: Props) {
  const button = `btn ${slate ? "btn-slate" : main ? "btn-main" : ""}`;
  return (
    <>
      {job?.state === "running" || job?.state === "waiting" ? (
        <span role="status" className="flex items-center gap-2">
          {job.state === "waiting" ? (
            <span className="flex-1">{job.ahead > 0 ? says("waiting-before", { ahead: job.ahead }) : says("waiting-next")}</span>
          ) : (
            <>
              <progress value={job.done} max={job.whole} className="w-40 flex-1" aria-label={says("how-far")} />
              <span className="num text-[12px]">{Math.round((100 * job.done) / Math.max(1, job.whole))} %</span>
            </>
          )}
          <button type="button" className={`btn ${slate ? "btn-slate" : ""} px-2 py-0`} onClick={() => cancel.mutate(job.id)}>
            {says("cancel-2")}
          </button>
        </span>
      ) : (
        <button type="button" className={`${button} my-1`} disabled={start.isPending} onClick={() => start.mutate()}>
          {word}
        </button>
      )}
      {start.error && <p role="alert">{start.error.message}</p>}
      {job?.state === "failed" && <p role="alert">{says("last-failed", { what, error: job.error ?? "" })}</p>}
      {job?.state === "cancelled" && <p className={slate ? "text-chalk-dim" : "text-dim"}>{says("last-was-cancelled-nothing", { what })}</p>}
    </>
  );
}

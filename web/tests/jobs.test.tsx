/** A job's state as the page follows it. */
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, fireEvent, render, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, it } from "vitest";
import type { Schemas } from "../src/data/client";
import { useJob } from "../src/data/jobs";
import { JobButton } from "../src/parts/JobButton";

afterEach(cleanup);

type State = { job: Schemas["JobOut"] | null };
const RUNNING = { job: { id: "j", state: "running", done: 3, whole: 10 } } as unknown as State;

function Following({ ask }: { ask: () => Promise<State> }) {
  const { state, start, cancel } = useJob(["kind", "v"], ask, async () => ({}));
  return <JobButton job={state?.job} word="Search" what="search" start={start} cancel={cancel} />;
}

it("follows a job that is started before the first answer came", async () => {
  const answers: ((s: State) => void)[] = [];
  const ask = () => new Promise<State>((done) => answers.push(done));
  render(
    <QueryClientProvider client={new QueryClient()}>
      <Following ask={ask} />
    </QueryClientProvider>,
  );
  expect(answers).toHaveLength(1);
  fireEvent.click(screen.getByRole("button", { name: "Search" }));
  await waitFor(() => expect(answers).toHaveLength(2));
  answers[1]?.(RUNNING);
  answers[0]?.({ job: null });
  expect((await screen.findByRole("status")).textContent).toContain("30 %");
});

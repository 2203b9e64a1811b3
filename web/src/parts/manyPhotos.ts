/** Many photographs at once: each sent by itself, written down in batches, so that neither a wrong file nor a closed tab loses the others. */
import { says } from "../words/parts";
export type Sent = { sha256: string; width: number; height: number };

export const BATCH = 25;

/** Send each of `files` and have `record` write down what is new, `BATCH` at a time; gives the words for what wasn't taken. `known`: hashes that are there. */
export async function keepAll<F extends { name: string }, S extends Sent>(
  files: readonly F[],
  known: Iterable<string>,
  to: { send: (file: F) => Promise<S>; record: (made: S[]) => Promise<boolean>; stopped: () => boolean; at: (n: number) => void },
): Promise<string[]> {
  const there = new Set(known);
  const wrong: string[] = [];
  let batch: S[] = [];
  const write = async () => {
    const made = batch;
    batch = [];
    if (made.length && !(await to.record(made))) wrong.push(says("one-photograph-was-photographs", { made_count: made.length }));
  };
  for (const [i, file] of files.entries()) {
    if (to.stopped()) break;
    to.at(i + 1);
    try {
      const made = await to.send(file);
      if (there.has(made.sha256)) continue;
      there.add(made.sha256);
      batch.push(made);
    } catch (e) {
      wrong.push((e as Error).message);
    }
    if (batch.length >= BATCH) await write();
  }
  await write();
  return wrong;
}

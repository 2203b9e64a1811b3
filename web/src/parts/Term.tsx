/** A word in the terms of the design's region, where no hook can be called: in columns and tables of words. */
import { useTerm } from "../shell/person";

export function Term({ children }: { children: string }) {
  return <>{useTerm()(children)}</>;
}

/** The button that takes the item in hand out of the design, and puts it down. */
import type { ReactNode } from "react";
import { useHand } from "../shell/hand";

export function TakeOut({ remove, children }: { remove: () => unknown; children: ReactNode }) {
  const hand = useHand();
  return (
    <button
      type="button"
      className="btn btn-slate mt-2 block"
      onClick={() => {
        void remove();
        hand.drop();
      }}
    >
      {children}
    </button>
  );
}

/** What is in hand: one item of the design, named in the address (?hand=circuit:fridge), and the figure whose working is open. */
import { createContext, type ReactNode, useCallback, useContext, useMemo, useState } from "react";
import { useSearchParams } from "react-router";

export type HandKind =
  | "appliance"
  | "circuit"
  | "board"
  | "power"
  | "array"
  | "season"
  | "panel"
  | "raceway"
  | "zone"
  | "leg"
  | "set"
  | "beside"
  | "place"
  | "part"
  | "surface"
  | "build"
  | "opening"
  | "heater"
  | "duct"
  | "loopzone"
  | "vent"
  | "alarm"
  | "cabinet"
  | "bay"
  | "tank"
  | "join"
  | "run"
  | "filter"
  | "drain"
  | "test"
  | "vessel"
  | "hose"
  | "low"
  | "thing"
  | "onroof"
  | "opening"
  | "task"
  | "buy"
  | "step"
  | "way"
  | "stage";
type InHand = {
  kind: HandKind;
  id: string;
  key: string;
  pick: (kind: HandKind, id: string) => void;
  drop: () => void;
  opened: string | null;
  /** Opened on the bench: the slate's own content may not show that figure, so the slate brings its working on top. */
  onBench: boolean;
  open: (figure: string | null, onBench?: boolean) => void;
};

type Opened = Pick<InHand, "opened" | "onBench" | "open">;
const Context = createContext<Opened>({ opened: null, onBench: false, open: () => undefined });

export function HandProvider({ children }: { children: ReactNode }) {
  const [state, setState] = useState<{ opened: string | null; onBench: boolean }>({ opened: null, onBench: false });
  const open = useCallback((opened: string | null, onBench = false) => setState({ opened, onBench }), []);
  const value = useMemo(() => ({ ...state, open }), [state, open]);
  return <Context.Provider value={value}>{children}</Context.Provider>;
}

export function useHand(): InHand {
  const [params, setParams] = useSearchParams();
  const { opened, onBench, open } = useContext(Context);
  const key = params.get("hand") ?? "";
  const split = key.indexOf(":");
  const pick = useCallback(
    (kind: HandKind, id: string) => {
      open(null);
      setParams(
        (p) => {
          p.set("hand", `${kind}:${id}`);
          return p;
        },
        { replace: true },
      );
    },
    [setParams, open],
  );
  const drop = useCallback(() => {
    open(null);
    setParams(
      (p) => {
        p.delete("hand");
        return p;
      },
      { replace: true },
    );
  }, [setParams, open]);
  return {
    kind: (split > 0 ? key.slice(0, split) : "stage") as HandKind,
    id: split > 0 ? key.slice(split + 1) : "",
    key,
    pick,
    drop,
    opened,
    onBench,
    open,
  };
}

/** What belongs to the person, not to the design: units, theme, and how the bench is divided. Kept in this browser. */
import { createContext, type ReactNode, useContext, useEffect, useMemo, useState } from "react";
import { said } from "../data/said";
import type { UnitSystem } from "../data/show";

/** `units` is what the person chose; until then each design is read in the units of its region. */
type Person = { units: UnitSystem | null; theme: "day" | "night"; slate: number; split: number };
type Hand = Omit<Person, "units"> & { units: UnitSystem; set: (change: Partial<Person>) => void; lives: (region: string | null) => void };

const FIRST: Person = { units: null, theme: "day", slate: 312, split: 46 };
const Context = createContext<Hand>({ ...FIRST, units: "metric", set: () => undefined, lives: () => undefined });

function read(): Person {
  try {
    return { ...FIRST, ...JSON.parse(localStorage.getItem("bothy.person") ?? "{}") };
  } catch {
    return FIRST;
  }
}

export function PersonProvider({ children }: { children: ReactNode }) {
  const [person, setPerson] = useState(read);
  useEffect(() => {
    document.documentElement.dataset.theme = person.theme;
    try {
      localStorage.setItem("bothy.person", JSON.stringify(person));
    } catch {
      // no storage: the choice lasts as long as the tab
    }
  }, [person]);
  const [region, setRegion] = useState<string | null>(null);
  const hand = useMemo(
    () => ({
      ...person,
      units: person.units ?? (region === "us" ? ("us" as const) : ("metric" as const)),
      set: (change: Partial<Person>) => setPerson((p) => ({ ...p, ...change })),
      lives: setRegion,
    }),
    [person, region],
  );
  return <Context.Provider value={hand}>{children}</Context.Provider>;
}

export const usePerson = () => useContext(Context);

/** A sentence of the core in the reader's units; `stage` says what it is about. */
export function useSaid(): (text: string, stage?: string) => string {
  const { units } = usePerson();
  return (text, stage) => said(text, units, stage);
}

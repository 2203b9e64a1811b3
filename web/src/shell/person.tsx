/** What belongs to the person, not to the design: units, theme, and how the bench is divided. Kept in this browser. */
import { createContext, type ReactNode, useContext, useEffect, useMemo, useState } from "react";
import type { UnitSystem } from "../data/show";

type Person = { units: UnitSystem; theme: "day" | "night"; slate: number; split: number };
type Hand = Person & { set: (change: Partial<Person>) => void };

const FIRST: Person = { units: "metric", theme: "day", slate: 312, split: 46 };
const Context = createContext<Hand>({ ...FIRST, set: () => undefined });

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
  const hand = useMemo(() => ({ ...person, set: (change: Partial<Person>) => setPerson((p) => ({ ...p, ...change })) }), [person]);
  return <Context.Provider value={hand}>{children}</Context.Provider>;
}

export const usePerson = () => useContext(Context);

/** What belongs to the person, not to the design: units, theme, and how the bench is divided. Kept in this browser. */
import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useState } from "react";
import words from "../../generated/words.json";
import { money, type RegionKey, said } from "../data/said";
import type { UnitSystem } from "../data/show";

/** `units` is what the person chose; until then each design is read in the units of its region. */
type Person = { units: UnitSystem | null; theme: "day" | "night"; slate: number; split: number };
type Hand = Omit<Person, "units"> & {
  units: UnitSystem;
  region: RegionKey;
  names: readonly string[];
  set: (change: Partial<Person>) => void;
  lives: (region: string | null, names?: string) => void;
};

const FIRST: Person = { units: null, theme: "day", slate: 312, split: 46 };
const Context = createContext<Hand>({ ...FIRST, units: "metric", region: "uk", names: [], set: () => undefined, lives: () => undefined });

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
  const [typed, setTyped] = useState("[]"); // as text, so that an edit that leaves the names leaves every sentence
  const names = useMemo(() => JSON.parse(typed) as string[], [typed]);
  const lives = useCallback((where: string | null, kept = "[]") => {
    setRegion(where);
    setTyped(kept);
  }, []);
  const hand = useMemo(
    () => ({
      ...person,
      region: (region ?? "uk") as RegionKey,
      units: person.units ?? (region === "us" ? ("us" as const) : ("metric" as const)),
      set: (change: Partial<Person>) => setPerson((p) => ({ ...p, ...change })),
      names,
      lives,
    }),
    [person, region, names, lives],
  );
  return <Context.Provider value={hand}>{children}</Context.Provider>;
}

export const usePerson = () => useContext(Context);

/** A sentence in the reader's units and the region's terms; `stage` says what it is about. */
export function useSaid(): (text: string, stage?: string) => string {
  const { units, region, names } = usePerson();
  return useCallback((text: string, stage?: string) => said(text, units, stage, region, names), [units, region, names]);
}

/** A word in the region's terms, its units as they are: for what may be part of a name. */
export function useTerm(): (text: string) => string {
  const { region, names } = usePerson();
  return useCallback((text: string) => said(text, "metric", "", region, names), [region, names]);
}

/** An amount in the currency of the design's region, and its sign. */
export function useMoney(): { money: (amount: number | null | undefined) => string; currency: string } {
  const { region } = usePerson();
  return { money: (amount) => money(amount, region), currency: words.currency[region] };
}

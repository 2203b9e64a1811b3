/** A picture lit by states: which of its things have one, how each looks, and what a press does in place of taking it into the hand. */
import { createContext, useContext } from "react";

export type Light = { colour: string; word: string; path: string };
/** ``held``: what is in hand, as a thing of the picture. */
type LitBy = { held: string; of: (ref: string) => Light | undefined; press: (ref: string) => void };

const Context = createContext<LitBy | null>(null);
export const Lit = Context.Provider;
export const useLit = () => useContext(Context);

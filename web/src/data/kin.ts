/** Searching by any name of a thing: who types “consumer unit”, “breaker panel” or “ampacity” finds what Bothy calls otherwise. */
import terms from "../../generated/words.json";

const NAMES = terms.terms.map((t) => [...new Set([t.base, t.uk, t.eu, t.us, t.au, ...t.kin].map((n) => n.toLowerCase()))]);

/** Whether a text holds what is searched for: all its words, in any of the names that the things in it have. An empty search finds all. */
export function searchFor(typed: string): (text: string) => boolean {
  const asked = typed.toLowerCase().trim();
  const ways = new Set([asked]);
  for (const names of NAMES)
    for (const name of names) if (name.length > 2 && asked.includes(name)) for (const other of names) ways.add(asked.replace(name, other));
  const words = [...ways].map((way) => way.split(/\s+/).filter(Boolean));
  return (text) => {
    const low = text.toLowerCase();
    return words.some((way) => way.every((w) => low.includes(w)));
  };
}

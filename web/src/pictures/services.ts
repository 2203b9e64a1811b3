/** How services are told apart in every picture: line pattern and two-letter tag first, hue second. One table for all. */
import { says } from "../words/pictures";
export type Service = "dc" | "ac" | "data" | "air" | "coolant" | "fresh" | "hot" | "waste" | "gas";
export const SERVICES: Record<Service, { word: string; tag: string; dash: string; colour: string }> = {
  dc: { word: says("direct-current"), tag: "DC", dash: "", colour: "var(--color-peat)" },
  ac: { word: says("mains"), tag: "AC", dash: "9 3", colour: "#8a4b12" },
  data: { word: says("data"), tag: "DA", dash: "1 3", colour: "#5b5b5b" },
  air: { word: says("warm-air"), tag: "WA", dash: "14 4 2 4", colour: "#a8391f" },
  coolant: { word: says("coolant"), tag: "CO", dash: "6 2 6 2 1 2", colour: "#4e7a3a" },
  fresh: { word: says("fresh-water"), tag: "FW", dash: "3 2", colour: "#2c6e86" },
  hot: { word: says("hot-water"), tag: "HW", dash: "3 2 10 2", colour: "#a8391f" },
  waste: { word: says("waste"), tag: "WW", dash: "12 6", colour: "#6b5b3a" },
  gas: { word: says("gas"), tag: "GA", dash: "2 2 2 6", colour: "#77588a" },
};

/** Where a thing begins and ends, as fields: along and across the vehicle, and up. */
import { quantity } from "../../parts/Fields";
import { says } from "../../words/fit";

export const ON_PLAN = [
  quantity("x0_m", says("rear-end"), "length", "m"),
  quantity("x1_m", says("front-end"), "length", "m"),
  quantity("y0_m", says("right-side-left-centre"), "length", "m"),
  quantity("y1_m", says("left-side-left-centre"), "length", "m"),
] as const;
export const EXTENT = [
  ...ON_PLAN,
  quantity("z0_m", says("bottom-over-floor"), "length", "m"),
  quantity("z1_m", says("top-over-floor"), "length", "m"),
] as const;

/** Where a thing begins and ends, as fields: along and across the vehicle, and up. */
import { quantity } from "../../parts/Fields";

export const ON_PLAN = [
  quantity("x0_m", "rear end", "length", "m"),
  quantity("x1_m", "front end", "length", "m"),
  quantity("y0_m", "right side, left of centre", "length", "m"),
  quantity("y1_m", "left side, left of centre", "length", "m"),
] as const;
export const EXTENT = [...ON_PLAN, quantity("z0_m", "bottom over the floor", "length", "m"), quantity("z1_m", "top over the floor", "length", "m")] as const;

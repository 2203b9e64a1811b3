import type { Texts } from "../../generated/texts";
import { speaker } from "./speaker";
import source from "./vehicle.en.ftl?raw";

export const says = speaker<Texts["vehicle"]>(source);

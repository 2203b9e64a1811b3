import type { Texts } from "../../generated/texts";
import { speaker } from "./speaker";
import source from "./water.en.ftl?raw";

export const says = speaker<Texts["water"]>(source);

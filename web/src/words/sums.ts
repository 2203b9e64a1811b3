import type { Texts } from "../../generated/texts";
import { speaker } from "./speaker";
import source from "./sums.en.ftl?raw";

export const says = speaker<Texts["sums"]>(source);

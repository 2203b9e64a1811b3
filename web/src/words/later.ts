import type { Texts } from "../../generated/texts";
import source from "./later.en.ftl?raw";
import { speaker } from "./speaker";

export const says = speaker<Texts["later"]>(source);

import type { Texts } from "../../generated/texts";
import source from "./print.en.ftl?raw";
import { speaker } from "./speaker";

export const says = speaker<Texts["print"]>(source);

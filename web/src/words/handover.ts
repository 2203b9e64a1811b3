import type { Texts } from "../../generated/texts";
import source from "./handover.en.ftl?raw";
import { speaker } from "./speaker";

export const says = speaker<Texts["handover"]>(source);

import type { Texts } from "../../generated/texts";
import { speaker } from "./speaker";
import source from "./warmth.en.ftl?raw";

export const says = speaker<Texts["warmth"]>(source);

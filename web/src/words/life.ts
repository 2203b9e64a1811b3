import type { Texts } from "../../generated/texts";
import source from "./life.en.ftl?raw";
import { speaker } from "./speaker";

export const says = speaker<Texts["life"]>(source);

import type { Texts } from "../../generated/texts";
import source from "./method.en.ftl?raw";
import { speaker } from "./speaker";

export const says = speaker<Texts["method"]>(source);

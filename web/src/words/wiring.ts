import type { Texts } from "../../generated/texts";
import { speaker } from "./speaker";
import source from "./wiring.en.ftl?raw";

export const says = speaker<Texts["wiring"]>(source);

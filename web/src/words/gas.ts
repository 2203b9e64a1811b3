import type { Texts } from "../../generated/texts";
import source from "./gas.en.ftl?raw";
import { speaker } from "./speaker";

export const says = speaker<Texts["gas"]>(source);

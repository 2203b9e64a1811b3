import type { Texts } from "../../generated/texts";
import source from "./fit.en.ftl?raw";
import { speaker } from "./speaker";

export const says = speaker<Texts["fit"]>(source);

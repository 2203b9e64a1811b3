import type { Texts } from "../../generated/texts";
import source from "./projects.en.ftl?raw";
import { speaker } from "./speaker";

export const says = speaker<Texts["projects"]>(source);

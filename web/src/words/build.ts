import type { Texts } from "../../generated/texts";
import source from "./build.en.ftl?raw";
import { speaker } from "./speaker";

export const says = speaker<Texts["build"]>(source);

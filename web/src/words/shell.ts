import type { Texts } from "../../generated/texts";
import source from "./shell.en.ftl?raw";
import { speaker } from "./speaker";

export const says = speaker<Texts["shell"]>(source);

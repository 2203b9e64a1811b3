import type { Texts } from "../../generated/texts";
import { speaker } from "./speaker";
import source from "./worklist.en.ftl?raw";

export const says = speaker<Texts["worklist"]>(source);

import type { Texts } from "../../generated/texts";
import source from "./parts.en.ftl?raw";
import { speaker } from "./speaker";

export const says = speaker<Texts["parts"]>(source);

import type { Texts } from "../../generated/texts";
import source from "./pictures.en.ftl?raw";
import { speaker } from "./speaker";

export const says = speaker<Texts["pictures"]>(source);

import type { Texts } from "../../generated/texts";
import source from "./prove.en.ftl?raw";
import { speaker } from "./speaker";

export const says = speaker<Texts["prove"]>(source);

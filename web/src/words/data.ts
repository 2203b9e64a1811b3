import type { Texts } from "../../generated/texts";
import source from "./data.en.ftl?raw";
import { speaker } from "./speaker";

export const says = speaker<Texts["data"]>(source);

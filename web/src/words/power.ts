import type { Texts } from "../../generated/texts";
import source from "./power.en.ftl?raw";
import { speaker } from "./speaker";

export const says = speaker<Texts["power"]>(source);

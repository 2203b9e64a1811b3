import type { Texts } from "../../generated/texts";
import { speaker } from "./speaker";
import source from "./trips.en.ftl?raw";

export const says = speaker<Texts["trips"]>(source);

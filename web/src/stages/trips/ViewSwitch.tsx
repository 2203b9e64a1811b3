/** Switches between the views of Trips. */
import { StageViews } from "../../shell/ViewSwitch";
import { says } from "../../words/trips";
import { VIEWS } from "./views";

export const ViewSwitch = () => <StageViews stage={says("trips")} views={VIEWS} />;

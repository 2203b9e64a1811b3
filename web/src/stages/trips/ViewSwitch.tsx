/** Switches between the views of Trips. */
import { StageViews } from "../../shell/ViewSwitch";
import { VIEWS } from "./views";

export const ViewSwitch = () => <StageViews stage="Trips" views={VIEWS} />;

/** Stage 9, Layout and weight: where does it go, and what does it weigh? */
import { useFindingsView } from "../../shell/views";
import { MeasureView } from "./MeasureView";
import { OutView } from "./OutView";
import { PlacesView } from "./PlacesView";
import { RoofView } from "./RoofView";
import { SidesView } from "./SidesView";
import { WallView } from "./WallView";
import { WaysView } from "./WaysView";
import { WeightView } from "./WeightView";
import { VIEWS } from "./words";

/** The view on which what a finding is about is worked on. */
export function viewOf(subject: string): keyof typeof VIEWS {
  if (["front", "rear"].includes(subject)) return "weight";
  if (/^((panel|fan|light|vent|cooler|roof):|roof$)/.test(subject)) return "roof";
  if (/^((window|air|flue|intake|fuel|inlet|filler|drain|drop|hole):|floor$)/.test(subject)) return "sides";
  return subject.includes(":") || subject === "fit" ? "places" : "ways";
}

export function Component() {
  const View = { places: PlacesView, ways: WaysView, wall: WallView, out: OutView, roof: RoofView, sides: SidesView, weight: WeightView, measure: MeasureView }[
    useFindingsView(VIEWS, viewOf)
  ];
  return <View />;
}

/** What is being proved as the drawing of its own stage, lit by the state of its steps: the circuits, the water, the gas, the plan. */
import { useMemo } from "react";
import { type Light, Lit } from "../../pictures/lit";
import { useHand } from "../../shell/hand";
import { says } from "../../words/prove";
import { PipePicture } from "../gas/PipePicture";
import { WaterPicture } from "../water/WaterPicture";
import { DiagramPicture } from "../wiring/DiagramPicture";
import { type Commissioning, STATES, type Step, worst } from "./data";

import { COLOUR, PATH } from "./marks";
import { PlanPicture } from "./PlanPicture";

const ELECTRIC = ["s0", "s1", "s2", "s3", "s4", "s5", "s6", "s7", "s8"];
/** What a thing of the diagram is called as the subject of a step. */
const SUBJECT: Record<string, string> = { "power:bank": says("bank"), "power:inverter": says("inverter"), "power:shore": says("mains") };

/** Which drawing a stage has: the plan for heat, air, cooling, alarms, weight and the road. */
export function drawingOf(rung: string | null): "circuits" | "water" | "gas" | "plan" {
  if (rung === null || ELECTRIC.includes(rung)) return "circuits";
  return rung === "s9" ? "water" : rung === "s10" ? "gas" : "plan";
}

/** The steps of a thing of a drawing: of the stage that is looked at, else of all stages of that drawing. */
export function stepsOf(c: Commissioning, rung: string | null, ref: string): Step[] {
  const [kind = "", id = ""] = ref.split(":");
  const subject = SUBJECT[ref] ?? id;
  const inside = (s: Step) => (rung ? s.stage === rung : kind === "water" ? s.stage === "s9" : kind === "gas" ? s.stage === "s10" : ELECTRIC.includes(s.stage));
  return c.steps.filter((s) => inside(s) && (s.subject === subject || s.id.split(":")[1] === subject));
}

export function Drawing({ c, rung }: { c: Commissioning; rung: string | null }) {
  const hand = useHand();
  const held = hand.kind === "step" ? (c.steps.find((s) => s.id === hand.id)?.subject ?? "") : "";
  const lit = useMemo(
    () => ({
      held: held && `circuit:${held}`,
      of: (ref: string): Light | undefined => {
        const steps = stepsOf(c, rung, ref);
        if (!steps.length || ref.startsWith("return:")) return undefined;
        const state = worst(steps.map((s) => s.state));
        return { colour: COLOUR[state] ?? COLOUR.open!, word: STATES[state] ?? state, path: PATH[state] ?? PATH.open! };
      },
      press: (ref: string) => {
        const steps = stepsOf(c, rung, ref);
        const first = steps.find((s) => s.state !== "pass") ?? steps[0];
        if (first) hand.pick("step", first.id);
      },
    }),
    [c, rung, held, hand.pick],
  );
  const which = drawingOf(rung);
  return (
    <Lit value={lit}>
      {which === "water" ? (
        <WaterPicture open={[]} onOpen={() => undefined} taps={undefined} what="taps" />
      ) : which === "gas" ? (
        <PipePicture />
      ) : which === "plan" ? (
        <PlanPicture c={c} rung={rung!} />
      ) : (
        <DiagramPicture />
      )}
    </Lit>
  );
}

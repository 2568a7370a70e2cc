/** The words of the first rig. */
import type { StartingKind } from "#core/rig/starting-builds.ts";
import type { Step } from "./known.ts";

export const KIND_WORDS: Readonly<Record<StartingKind, { readonly name: string; readonly note: string }>> = {
  twoStrokeBike: { name: "Two-stroke bike", note: "round or flat slide, air screw" },
  fourStrokeAtv: { name: "Four-stroke bike or ATV", note: "one cylinder, vacuum slide" },
  kart: { name: "Kart", note: "two-stroke, full throttle half the lap" },
  childTwoStroke: { name: "Child’s two-stroke", note: "50 to 65 cm³" },
  methanolRacer: { name: "Methanol racer", note: "drags and sprints" },
  twin: { name: "Twin", note: "four-stroke, two vacuum slides" },
  four: { name: "Four", note: "four-stroke, four vacuum slides" },
  fourStrokeKart: { name: "Four-stroke kart", note: "small slide carburettor" },
  fourStrokeCable: { name: "Four-stroke, cable slide", note: "one cylinder, the cable lifts the slide" },
  oldTwin: { name: "Old twin", note: "four-stroke, two cable slides" },
};

/** A name until it is given another. */
export const firstName = (kind: StartingKind, displacementCm3: number, cylinders: number): string => {
  const size = Math.round(displacementCm3 * cylinders);
  const words: Readonly<Record<StartingKind, string>> = {
    twoStrokeBike: "two-stroke",
    fourStrokeAtv: "four-stroke",
    kart: "kart",
    childTwoStroke: "mini two-stroke",
    methanolRacer: "methanol racer",
    twin: "twin",
    four: "four",
    fourStrokeKart: "four-stroke kart",
    fourStrokeCable: "four-stroke",
    oldTwin: "twin",
  };
  return `${size} ${words[kind]}`;
};

export const STEP_TITLES: Readonly<Record<Step, string>> = {
  kind: "What is it?",
  size: "How big is it?",
  inside: "What is in it now?",
  right: "How is that known to be right?",
  air: "In which air was it right?",
  means: "What can you look with?",
};

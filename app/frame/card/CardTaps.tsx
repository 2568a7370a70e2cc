import type { Advice } from "#core/advice/card/advise.ts";
import { PutBack } from "../Taps.tsx";
import type { RigContext } from "../use-rig.ts";
import { CardOut } from "./CardOut.tsx";

/** What is done with a card. */
const CardTaps = ({ context, advice }: { context: RigContext; advice: Advice }) => (
  <>
    <CardOut context={context} advice={advice} />
    <PutBack context={context} />
  </>
);
export default CardTaps;

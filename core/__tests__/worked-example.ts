/** The 250 cm³ two-stroke that the documentation works through, as the model takes it. */
import { ENDURO_BUILD } from "../../demo/enduro-build.ts";
import { rigFromBuild } from "../rig/from-build.ts";

export const WORKED_EXAMPLE = rigFromBuild(ENDURO_BUILD);

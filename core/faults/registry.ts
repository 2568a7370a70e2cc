/** The table of all faults: suspicion, questions, the command line and the walk-round's links use it. */
import type { FaultName } from "../log/fault-names.ts";
import type { FaultKind } from "./fault-kind.ts";
import { AIR_LEAK } from "./kinds/air-leak.ts";
import { CHOKE_OPEN } from "./kinds/choke-open.ts";
import { CYLINDER_SEAL } from "./kinds/cylinder-seal.ts";
import { FLOAT_HIGH } from "./kinds/float-high.ts";
import { FLOAT_LOW } from "./kinds/float-low.ts";
import { FUEL_STARVATION } from "./kinds/fuel-starvation.ts";
import { IGNITION } from "./kinds/ignition.ts";
import { MAIN_NOT_AS_STAMPED } from "./kinds/main-not-as-stamped.ts";
import { NEEDLE_JET_WORN } from "./kinds/needle-jet-worn.ts";
import { PILOT_BLOCKED } from "./kinds/pilot-blocked.ts";
import { PLUG_DEAD } from "./kinds/plug-dead.ts";
import { AIR_JETS_DEAD, PART_WITHOUT_EFFECT } from "./kinds/without-effect.ts";

export const FAULTS: Readonly<Record<FaultName, FaultKind>> = {
  airLeak: AIR_LEAK,
  floatHigh: FLOAT_HIGH,
  floatLow: FLOAT_LOW,
  chokeOpen: CHOKE_OPEN,
  pilotBlocked: PILOT_BLOCKED,
  mainNotAsStamped: MAIN_NOT_AS_STAMPED,
  needleJetWorn: NEEDLE_JET_WORN,
  fuelStarvation: FUEL_STARVATION,
  plugDead: PLUG_DEAD,
  ignition: IGNITION,
  cylinderSeal: CYLINDER_SEAL,
  airJetsDead: AIR_JETS_DEAD,
  partWithoutEffect: PART_WITHOUT_EFFECT,
};

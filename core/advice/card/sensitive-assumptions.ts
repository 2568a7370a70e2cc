/** The sensitivity of the card to each assumed (unmeasured) value of the rig, largest first. */
import type { HumidAir } from "../../air/humid-air.ts";
import { ZONES, type PerZone, type Zone } from "../../carburettor/zones.ts";
import { frameOf } from "../../belief/frame.ts";
import { zoneMixture } from "../../belief/mixture.ts";
import type { MixturePoint } from "../../looks/line.ts";
import type { Build, Setting } from "../../log/schema.ts";
import { withDoubt } from "../../rig/assumed.ts";
import { settingFromLog } from "../../rig/from-build.ts";
import type { Group } from "../judge/case.ts";

export interface SensitiveAssumption {
  /** the field, e.g. `carburettor.needleJetMm` */
  readonly path: string;
  /** where it counts most */
  readonly zone: Zone;
  /** how far the mixture there would be off, were the value off by its usual doubt; + leaner */
  readonly effect: number;
}

/** Less than this is not worth a micrometer. */
const LEAST_EFFECT = 0.005;
const MOST_NAMED = 3;

function linesWith(build: Build, air: HumidAir, setting: Setting): PerZone<MixturePoint> {
  // Measured otherwise it would always have been so: the reference moves with it.
  return zoneMixture(frameOf(build), build, air)(settingFromLog(setting));
}

/**
 * @param setting - of the card
 * @returns the assumed fields that would move it most, the strongest first
 */
export function sensitiveAssumptions(
  { build }: Group,
  air: HumidAir,
  setting: Setting,
): SensitiveAssumption[] {
  const { assumed } = build;
  if (!assumed || assumed.length === 0) return [];
  const now = linesWith(build, air, setting);
  const found = assumed.flatMap((path): SensitiveAssumption[] => {
    const doubted = withDoubt(build, path);
    if (!doubted) return [];
    try {
      const then = linesWith(doubted, air, setting);
      const effects = ZONES.map((zone) => ({ path, zone, effect: then[zone].shift - now[zone].shift }));
      return [effects.reduce((most, one) => (Math.abs(one.effect) > Math.abs(most.effect) ? one : most))];
    } catch (error) {
      // Moved by its doubt the machine cannot be: that field is surely not off by so much.
      if (error instanceof RangeError) return [];
      throw error;
    }
  });
  return found
    .filter(({ effect }) => Math.abs(effect) >= LEAST_EFFECT)
    .sort((a, b) => Math.abs(b.effect) - Math.abs(a.effect))
    .slice(0, MOST_NAMED);
}

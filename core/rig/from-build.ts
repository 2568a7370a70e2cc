/** Converts a logged build (mm, stamped numbers) to model parameters (SI). */
import { Refusal } from "../units/guard.ts";
import { humidAir, type AirState, type HumidAir } from "../air/humid-air.ts";
import { humidityFromDewPoint, humidityFromWetBulb } from "../air/humidity.ts";
import { standardPressure, stationPressureFromSetting } from "../air/barometer.ts";
import type { Carburettor, Rig, Setting } from "../carburettor/carburettor.ts";
import { FUELS, petrolWith, withOil, type Fuel } from "../carburettor/fuel.ts";
import type { JetNumbering } from "../carburettor/jet.ts";
import type { Needle } from "../carburettor/needle.ts";
import type { LoggedNeedle } from "../log/part-schema.ts";
import type { AirEntry, Build, Setting as LoggedSetting } from "../log/schema.ts";

const MM = 0.001;
const metres = (mm: number): number => mm * MM;

type LoggedNumbering = Build["carburettor"]["mainNumbering"];

export const numberingFromLog = (logged: LoggedNumbering): JetNumbering =>
  logged.by === "diameter"
    ? logged
    : {
        by: "flow",
        referenceNumber: logged.referenceNumber,
        referenceDiameterM: metres(logged.referenceDiameterMm),
      };

export function settingFromLog({ shimMm, ...rest }: LoggedSetting): Setting {
  return { ...rest, shimM: metres(shimMm) };
}

export const needleFromLog = (logged: LoggedNeedle): Needle => ({
  profile: logged.profile.map((p) => ({ alongM: metres(p.alongMm), diameterM: metres(p.diameterMm) })),
  grooves: logged.grooves,
  groovePitchM: metres(logged.groovePitchMm),
  referenceClip: logged.referenceClip,
});

function carburettorFromLog(logged: Build["carburettor"]): Carburettor {
  const { slide } = logged;
  return {
    boreM: metres(logged.boreMm),
    slide:
      slide.kind === "manual"
        ? { kind: "manual", idleLiftM: metres(slide.idleLiftMm), cutawayM: metres(slide.cutawayMm) }
        : { kind: "vacuum", restLiftM: metres(slide.restLiftMm), depressionPa: slide.depressionPa },
    needleJetM: metres(logged.needleJetMm),
    needle: needleFromLog(logged.needle),
    screw: logged.screw,
    pilotNumbering: numberingFromLog(logged.pilotNumbering),
    mainNumbering: numberingFromLog(logged.mainNumbering),
    fuelDropM: metres(logged.fuelDropMm),
    emulsionTubeDrilled: logged.emulsionTubeDrilled,
    ...(logged.mainAirJetMm !== undefined && { mainAirJetM: metres(logged.mainAirJetMm) }),
    ...(logged.pilotAirJetMm !== undefined && { pilotAirJetM: metres(logged.pilotAirJetMm) }),
  };
}

export function fuelFromLog(logged: Build["fuel"]): Fuel {
  const mixed = (fuel: Fuel) => withOil(fuel, logged.oilRatio);
  switch (logged.name) {
    case "petrol":
      return mixed(petrolWith(logged.ethanolPercent ?? 0));
    case "methanol":
      return mixed(FUELS.methanol);
    case "other": {
      const { density15KgM3, expansionPerK, stoichiometric } = logged;
      return mixed({ density15KgM3, expansionPerK, stoichiometric, burntShare: 1 });
    }
  }
}

/**
 * @returns the rig as the model wants it: several cylinders on one carburettor draw through it together
 * @throws {RangeError} if its baseline air is out of range
 */
export function rigFromBuild(build: Build): Rig {
  const cylindersEach = build.engine.cylinders / (build.carburettors ?? 1);
  return {
    engine: {
      displacementM3: build.engine.displacementCm3 * 1e-6 * cylindersEach,
      turnsPerCycle: build.engine.strokes === 2 ? 1 : 2,
      idleRpm: build.engine.idleRpm,
      peakRpm: build.engine.peakRpm,
    },
    carburettor: carburettorFromLog(build.carburettor),
    fuel: fuelFromLog(build.fuel),
    baseline: { setting: settingFromLog(build.baseline.setting), air: humidAir(build.baseline.air) },
  };
}

type Measured = Pick<AirEntry, "temperatureK" | "humidity" | "pressure" | "elevationM">;

function stationPressure({ pressure, elevationM }: Measured): number {
  if (pressure.kind === "station") return pressure.pressurePa;
  if (elevationM === undefined)
    throw new Refusal("elevation", "must be given where the pressure is not the station's", "none");
  return pressure.kind === "standard"
    ? standardPressure(elevationM)
    : stationPressureFromSetting(pressure.pressurePa, elevationM);
}

/**
 * @returns the three numbers of the air from what the instruments showed
 * @throws {RangeError} if they do not belong together, or the height is missing where it is needed
 */
export function airStateFromLog(measured: Measured): AirState {
  const { temperatureK, humidity } = measured;
  const pressurePa = stationPressure(measured);
  const relativeHumidity =
    humidity.kind === "relative"
      ? humidity.fraction
      : humidity.kind === "dewPoint"
        ? humidityFromDewPoint(temperatureK, humidity.temperatureK)
        : humidityFromWetBulb(temperatureK, humidity.temperatureK, pressurePa);
  return { temperatureK, pressurePa, relativeHumidity };
}

/** @returns densities of the air in an entry; @throws {RangeError} as {@link airStateFromLog} */
export function humidAirFromLog(measured: Measured): HumidAir {
  return humidAir(airStateFromLog(measured));
}

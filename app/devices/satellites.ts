/** Where this phone is, by satellites: fixes as they come, for a height and for runs. Nothing of it leaves the page. */
import type { Fix } from "#core/satellites/fix.ts";
import { DeviceProblem, type Device, type DeviceAbout } from "./device.ts";
import { Waiting } from "./waiting.ts";

/** How fixes are kept: ten minutes of them at ten a second. */
export const RECEIVER: Omit<DeviceAbout, "name" | "simulated"> = {
  measures: [],
  channels: 1,
  kept: 6000,
  silentAfterMs: 30_000,
};

const INSTEAD = "Type the figures instead.";
const REFUSALS: readonly string[] = [
  "",
  `The place was not allowed. Allow it for this page in the browser’s settings. ${INSTEAD}`,
  `No satellites are heard here. Out into the open, and switch the phone’s location on. ${INSTEAD}`,
  `The satellites took too long. Out into the open, and try again. ${INSTEAD}`,
];

/** @returns whether this browser can ask where it is; only where the page is safe from others */
export const hasSatellites = (): boolean => "geolocation" in navigator;

const known = <K extends string>(key: K, value: number | null): { [P in K]?: number } =>
  value !== null && Number.isFinite(value) ? ({ [key]: value } as { [P in K]?: number }) : {};

/** @returns the fix, or nothing where the browser gave no place at all */
export function fixOf({ coords, timestamp }: GeolocationPosition): Fix | undefined {
  const { latitude, longitude, accuracy, altitude, altitudeAccuracy, speed } = coords;
  if (![latitude, longitude, accuracy, timestamp].every(Number.isFinite)) return undefined;
  return {
    atMs: timestamp,
    channel: 1,
    latitude,
    longitude,
    accuracyM: Math.max(0, accuracy),
    ...known("heightM", altitude),
    ...known("heightAccuracyM", altitude === null ? null : altitudeAccuracy),
    ...known("speedMs", speed === null || speed < 0 ? null : speed),
  };
}

export class Satellites implements Device<Fix> {
  readonly about: DeviceAbout = { ...RECEIVER, name: "Satellites", simulated: false };
  private readonly waiting = new Waiting<Fix>(50);
  private watch: number | undefined;

  connect(): Promise<void> {
    if (!hasSatellites()) throw new DeviceProblem(`This browser does not say where it is here. ${INSTEAD}`);
    this.watch = navigator.geolocation.watchPosition(
      (position) => {
        const fix = fixOf(position);
        if (fix) this.waiting.put(fix);
      },
      ({ code }) => this.waiting.fail(new DeviceProblem(REFUSALS[code] ?? REFUSALS[2] ?? INSTEAD)),
      { enableHighAccuracy: true, maximumAge: 0, timeout: 25_000 },
    );
    return Promise.resolve();
  }

  samples(): AsyncIterable<Fix> {
    return this.waiting;
  }

  close(): Promise<void> {
    if (this.watch !== undefined) navigator.geolocation.clearWatch(this.watch);
    this.watch = undefined;
    this.waiting.end();
    return Promise.resolve();
  }
}

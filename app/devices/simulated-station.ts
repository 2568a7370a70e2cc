/** Simulated weather station at the rig's height; a minute is an hour of its day. */
import { AIR_CHANNELS } from "#core/instruments/line-read.ts";
import type { Sample } from "#core/instruments/sample.ts";
import { seededRandom, type Random } from "#core/numbers/random.ts";
import {
  drawWeatherDay,
  FRESH_STATION,
  stationOn,
  weatherAt,
  type StationState,
  type WeatherDay,
} from "#core/simulator/weather-station.ts";
import type { DeviceAbout } from "./device.ts";
import { Simulated } from "./simulated.ts";

/** How a station is kept, whatever it hangs on: five seconds apart, an hour back. */
export const STATION: Omit<DeviceAbout, "name" | "simulated"> = {
  measures: ["temperature", "humidity", "pressure"],
  channels: 3,
  silentAfterMs: 60_000,
  spacingMs: 5000,
  kept: 750,
};

/** The made-up weather knows no higher places, nor lower ones. */
const LOWEST_M = -400;
const HIGHEST_M = 5000;
const TIMES_FASTER = 60;
const BEGINS_S = 10 * 3600;

export class SimulatedStation extends Simulated {
  readonly about: DeviceAbout = { ...STATION, name: "Weather station", simulated: true };
  /** whether it lies where the sun reaches it */
  inSun = false;
  private readonly day: WeatherDay;
  private readonly random: Random;
  private state: StationState = FRESH_STATION;
  private clockS = BEGINS_S;

  /** @param elevationM - where the rig stands */
  constructor(elevationM: number, seed: number) {
    super();
    this.random = seededRandom(seed);
    this.day = drawWeatherDay(Math.max(LOWEST_M, Math.min(HIGHEST_M, elevationM)), this.random);
  }

  protected sample(_atMs: number, dtMs: number): readonly Sample[] {
    const dtS = (TIMES_FASTER * dtMs) / 1000;
    this.clockS += dtS;
    const { state, says } = stationOn(
      weatherAt(this.day, this.clockS),
      this.state,
      this.inSun,
      dtS,
      this.random,
    );
    this.state = state;
    // On its own clock: a trend of an hour is there after a minute.
    const atMs = 1000 * (this.clockS - BEGINS_S);
    return [
      { atMs, quantity: "temperature", channel: AIR_CHANNELS.temperature, value: says.temperatureK },
      { atMs, quantity: "humidity", channel: AIR_CHANNELS.humidity, value: says.humidity },
      { atMs, quantity: "pressure", channel: AIR_CHANNELS.pressure, value: says.pressurePa },
    ];
  }
}

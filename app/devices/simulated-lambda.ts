/** Simulated λ meter on an engine drawn from the present posterior. */
import type { Sample } from "#core/instruments/sample.ts";
import { seededRandom, type Random } from "#core/numbers/random.ts";
import type { DeviceAbout } from "./device.ts";
import { Simulated } from "./simulated.ts";

/** How a λ meter is kept, whatever it hangs on: half a minute of it. */
export const LAMBDA_METER: Omit<DeviceAbout, "simulated"> = {
  name: "λ meter",
  measures: ["lambda"],
  channels: 1,
  kept: 600,
};

const FINDS_IN_S = 1.5;
const MOVES = 0.12;
const UNREST = 0.006;

export class SimulatedLambda extends Simulated {
  readonly about: DeviceAbout = { ...LAMBDA_METER, simulated: true };
  private readonly lambda: number;
  private readonly random: Random;
  private sinceS = 0;
  private slow = 0;

  /** @param lambda - what the engine truly runs at there */
  constructor(lambda: number, seed: number) {
    super();
    this.random = seededRandom(seed);
    this.lambda = lambda;
  }

  protected sample(atMs: number, dtMs: number): readonly Sample[] {
    const dtS = dtMs / 1000;
    this.sinceS += dtS;
    const hand = MOVES * Math.exp(-this.sinceS / FINDS_IN_S) * Math.sin(5 * this.sinceS);
    const keep = Math.exp(-dtS / 0.4);
    this.slow = keep * this.slow + Math.sqrt(1 - keep * keep) * UNREST * this.random.normal();
    return [{ atMs, quantity: "lambda", channel: 1, value: this.lambda * Math.exp(hand + this.slow) }];
  }
}

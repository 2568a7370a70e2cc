/** What the microphone makes of the engine, where that is no plain speed. */
import Button from "@mui/material/Button";
import type { Heard } from "#core/instruments/engine-sound/hear.ts";

interface HearingProps {
  readonly heard: Heard | undefined;
  readonly onSettle: (rpm: number) => void;
}

const rounded = (rpm: number): number => Math.round(rpm / 10) * 10;

export function Hearing({ heard, onSettle }: HearingProps) {
  switch (heard?.kind) {
    case undefined:
      return (
        <p className="quiet flush" role="status">
          Listening: the first figure takes two seconds.
        </p>
      );
    case "tooQuiet":
      return (
        <p className="flush" role="status">
          Too quiet. Hold the phone nearer to the end of the exhaust, beside the gas, not in it.
        </p>
      );
    case "unsure":
      return (
        <p className="flush" role="status">
          Not sure: something else is louder, or it runs unevenly. Get out of the wind, go nearer, stop other
          engines.
        </p>
      );
    case "steady":
      return (
        <div className="row" role="group" aria-label="Is it the engine?">
          <span role="status">
            {rounded(heard.rpm)} rpm, but as steady as mains hum or a held note. Blip the throttle once. Does
            the sound follow?
          </span>
          <Button variant="outlined" onClick={() => onSettle(heard.rpm)}>
            Yes, it is the engine
          </Button>
        </div>
      );
    case "asked":
      return (
        <div className="row" role="group" aria-label="Which speed is it?">
          <span role="status">
            {heard.rpms.length === 1
              ? `Is it ${rounded(heard.rpms[0] ?? 0)} rpm? That is far from this engine’s idle.`
              : `Which speed is it: ${heard.rpms.map(rounded).join(" or ")} rpm?`}
          </span>
          {heard.rpms.map((rpm) => (
            <Button key={rpm} variant="outlined" onClick={() => onSettle(rpm)}>
              It is {rounded(rpm)}
            </Button>
          ))}
        </div>
      );
    case "rpm":
      return (
        <p className="quiet flush" role="status">
          Heard by the microphone{heard.clear < 2.5 ? ", faintly" : ", plainly"}. No sound is kept.
        </p>
      );
  }
}

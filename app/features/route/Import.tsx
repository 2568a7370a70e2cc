/** A way from a receiver's file: chosen, looked through, kept. */
import css from "./route.module.css";
import Button from "@mui/material/Button";
import { useRef, useState } from "react";
import { useNavigation, useSubmit } from "react-router";
import { toSI } from "#core/units/quantity.ts";
import { readTypedNumber } from "#core/units/typed-number.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { instantAt, localInstant } from "#app/journal/clock.ts";
import type { TrackAnswers } from "#core/route/track.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { FileButton } from "#app/ui/FileButton.tsx";
import { PickField } from "#app/ui/PickField.tsx";
import { Simulated } from "#app/ui/Simulated.tsx";
import { TypedField } from "#app/ui/TypedField.tsx";
import { files } from "#app/workers/client.ts";
import type { TrackRead } from "#app/workers/gpx.ts";
import { wordsOf } from "#app/workers/on-demand.ts";
import type { RouteSent } from "./form.ts";
import { TRACK_QUESTIONS, TrackSaid } from "./track-questions.ts";
import { farWords, heightWords, minutesWords, trackNoteWords } from "./words.ts";

interface Opened {
  readonly blob: Blob;
  readonly file: string;
  readonly simulated: boolean;
  readonly tracks: readonly TrackRead[];
}

const USUAL_MS = 9;

export function ImportRoute() {
  const { header, preferences } = useRig();
  const submit = useSubmit();
  const saving = useNavigation().state !== "idle";
  const [opened, setOpened] = useState<Opened>();
  const [chosen, setChosen] = useState(0);
  const [problem, setProblem] = useState<string>();
  const [busy, setBusy] = useState(false);
  const [answers, setAnswers] = useState<TrackAnswers>({});
  const [start, setStart] = useState(() => localInstant().slice(0, 16));
  const unit = preferences.speed;
  const [speed, setSpeed] = useState(unit === "mph" ? "20" : "32");
  const typed = readTypedNumber(speed);
  const speedMs = typed.ok ? toSI("speed", typed.value, unit) : Number.NaN;
  const sane = speedMs >= 0.5 && speedMs <= 60;
  const asked = useRef(0);
  const read = async (blob: Blob, file: string, simulated: boolean, ms: number, said: TrackAnswers = {}) => {
    const mine = (asked.current += 1);
    setBusy(true);
    setProblem(undefined);
    try {
      const tracks = await files.readGpx(blob, ms, said);
      if (mine !== asked.current) return;
      // The longest is the ride; a way home or a warm-up is shorter.
      const longest = tracks.reduce(
        (best, { way }, i) => ((way?.lengthM ?? 0) > (tracks[best]?.way?.lengthM ?? 0) ? i : best),
        0,
      );
      // The same file at another speed: the track that was chosen stays.
      if (blob !== opened?.blob) setChosen(longest);
      setOpened({ blob, file, simulated, tracks });
      setAnswers(said);
    } catch (error) {
      setProblem(wordsOf(error));
    }
    setBusy(false);
  };
  const simulate = async () => {
    const { simulatedTrack } = await import("#app/devices/simulated-track.ts");
    await read(simulatedTrack(header.id, Date.now()), "simulated-receiver.gpx", true, USUAL_MS);
  };
  const track = opened?.tracks[chosen];
  const day = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/.test(start);
  const keep = () => {
    if (!opened || !track?.way || !day || track.way.open.length > 0) return;
    const sent: RouteSent = {
      name: track.name,
      startAt: instantAt(start.slice(0, 10), start.slice(11, 16)),
      points: [...track.way.points],
      simulated: opened.simulated,
    };
    void submit(JSON.stringify(sent), { method: "post", encType: "application/json" });
  };
  return (
    <div className="stack">
      <div className="row">
        <FileButton
          words="GPX"
          accept=".gpx,application/gpx+xml,text/xml"
          label="Receiver’s file"
          disabled={busy}
          onFiles={([file]) => file && void read(file, file.name, false, sane ? speedMs : USUAL_MS)}
        />
        <Button variant="outlined" disabled={busy} onClick={() => void simulate()}>
          Simulated receiver
        </Button>
        <span className="quiet">
          {busy ? "Reading…" : "Only lengths, heights and times are kept, no places."}
        </span>
      </div>
      {problem !== undefined && <Caution grave>{problem} Nothing was changed.</Caution>}
      {opened && (
        <section className="stack" aria-label="The way in the file">
          <h3>
            {opened.file} {opened.simulated && <Simulated />}
          </h3>
          {opened.tracks.length > 1 && (
            <PickField
              label="Track"
              value={String(chosen)}
              options={opened.tracks.map(({ name, points, way }, i) => [
                String(i),
                `${name}: ${way ? farWords(way.lengthM, preferences) : `${points} points`}`,
              ])}
              onChange={({ target }) => setChosen(Number(target.value))}
            />
          )}
          {track?.problem !== undefined && <Caution>{track.problem}</Caution>}
          {TRACK_QUESTIONS.map(
            ({ about, label, options }) =>
              (track?.way?.open.includes(about) || answers[about] !== undefined) && (
                <Choice
                  key={about}
                  label={label}
                  value={answers[about] ?? ""}
                  options={options}
                  onChange={(value) =>
                    void read(
                      opened.blob,
                      opened.file,
                      opened.simulated,
                      sane ? speedMs : USUAL_MS,
                      TrackSaid.parse({ ...answers, [about]: value }),
                    )
                  }
                />
              ),
          )}
          {track?.way && (
            <>
              <p className="flush" role="status">
                {track.name}: {farWords(track.way.lengthM, preferences)} in {minutesWords(track.way.seconds)},{" "}
                {heightWords(Math.min(...track.way.points.map(({ elevationM }) => elevationM)), preferences)}{" "}
                to{" "}
                {heightWords(Math.max(...track.way.points.map(({ elevationM }) => elevationM)), preferences)}.
              </p>
              {track.way.notes.map((note) => (
                <Caution key={note.what} plain>
                  {trackNoteWords(note)}
                </Caution>
              ))}
              <div className={css["fields"]}>
                <TypedField
                  label="Ridden from"
                  type="datetime-local"
                  value={start}
                  onChange={({ target }) => setStart(target.value)}
                  problem={day ? undefined : "A day and a time."}
                />
                {!track.way.timed && (
                  <TypedField
                    label="At"
                    unit={unit}
                    keys="decimal"
                    value={speed}
                    onChange={({ target }) => setSpeed(target.value)}
                    onBlur={() =>
                      sane && void read(opened.blob, opened.file, opened.simulated, speedMs, answers)
                    }
                    problem={sane ? undefined : "A speed that is ridden."}
                  />
                )}
              </div>
            </>
          )}
          <div className="row">
            <Button
              variant="contained"
              disabled={!track?.way || track.way.open.length > 0 || !day || saving || busy}
              onClick={keep}
            >
              Keep this way
            </Button>
            <Button onClick={() => setOpened(undefined)}>Leave it</Button>
          </div>
        </section>
      )}
    </div>
  );
}

import clsx from "clsx";
import css from "./look.module.css";
import Button from "@mui/material/Button";
import { useEffect, useState, type KeyboardEvent, type MouseEvent } from "react";
import type { PhotoDoubt, ToneRead } from "#core/photo/tone-of-colour.ts";
import type { Tone } from "#core/log/parts.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { FileButton } from "#app/ui/FileButton.tsx";
import { fetchSample } from "#app/ui/samples.ts";
import { certainty } from "#app/vocabulary/parts.ts";
import { wordsOf } from "#app/workers/on-demand.ts";
import { files } from "#app/workers/client.ts";
import type { SmallPhoto, Spot } from "#app/workers/photo.ts";

const DOUBT_WORDS: Readonly<Record<PhotoDoubt, string>> = {
  whiteTooDark: "The white is too dark to go by: more light on it.",
  whiteBurntOut: "The white is burnt out: less light, or a spot that is not in glare.",
  whiteColoured: "The white spot is coloured, or the light is.",
  uneven: "The porcelain is uneven there: a glint, a shadow or its edge.",
  noneAlike: "No porcelain has that colour. Is the spot on the porcelain?",
};

const SAMPLES = [
  { file: "plug-biscuit", name: "by lamp light" },
  { file: "plug-umber", name: "in the shade" },
  { file: "plug-bone", name: "in a dim garage" },
] as const;

type Which = "porcelain" | "white";
const START: Readonly<Record<Which, Spot>> = { porcelain: { x: 0.5, y: 0.45 }, white: { x: 0.85, y: 0.85 } };
const NAMES: Readonly<Record<Which, string>> = {
  porcelain: "Porcelain, near its root",
  white: "Something white",
};
const STEP = 0.01;

const clamp = (share: number): number => Math.min(1, Math.max(0, share));

/** Keys move a spot by a hundredth of the picture. */
const KEY_MOVES: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-STEP, 0],
  ArrowRight: [STEP, 0],
  ArrowUp: [0, -STEP],
  ArrowDown: [0, STEP],
};

interface PickerProps {
  readonly url: string;
  readonly photo: SmallPhoto;
  readonly spots: Readonly<Record<Which, Spot>>;
  readonly which: Which;
  readonly onMove: (which: Which, spot: Spot) => void;
}

/** The photo with its two spots: tapped into place, or moved by the arrow keys. */
function SpotPicker({ url, photo, spots, which, onMove }: PickerProps) {
  const tapped = ({ currentTarget, clientX, clientY }: MouseEvent<HTMLElement>) => {
    const { left, top, width, height } = currentTarget.getBoundingClientRect();
    onMove(which, { x: clamp((clientX - left) / width), y: clamp((clientY - top) / height) });
  };
  const keyed = (of: Which) => (event: KeyboardEvent) => {
    const move = KEY_MOVES[event.key];
    if (!move) return;
    event.preventDefault();
    onMove(of, { x: clamp(spots[of].x + move[0]), y: clamp(spots[of].y + move[1]) });
  };
  return (
    <div
      className={css["spot-picker"]}
      style={{ aspectRatio: `${photo.widthPx} / ${photo.heightPx}` }}
      onClick={tapped}
    >
      <img src={url} alt="The plug, as photographed" />
      {(["porcelain", "white"] as const).map((of) => (
        <button
          key={of}
          type="button"
          className={clsx(css["spot"], of === which && css["chosen"])}
          aria-label={`${NAMES[of]}: at ${Math.round(100 * spots[of].x)} % across, ${Math.round(100 * spots[of].y)} % down. Arrow keys move it`}
          style={{ left: `${100 * spots[of].x}%`, top: `${100 * spots[of].y}%` }}
          onKeyDown={keyed(of)}
        >
          {of === "porcelain" ? "P" : "W"}
        </button>
      ))}
    </div>
  );
}

interface Opened {
  readonly photo: SmallPhoto;
  readonly url: string;
}

/** Reads the tone of the porcelain off a photo, against something white in the same light. */
export function PhotoReader({ onRead }: { onRead: (tone: Tone, sure: number) => void }) {
  const [opened, setOpened] = useState<Opened>();
  const [problem, setProblem] = useState<string>();
  const [busy, setBusy] = useState(false);
  const [which, setWhich] = useState<Which>("porcelain");
  const [spots, setSpots] = useState(START);
  const [read, setRead] = useState<ToneRead>();
  const url = opened?.url;
  useEffect(() => () => void (url !== undefined && URL.revokeObjectURL(url)), [url]);
  const open = async (blob: Blob) => {
    setBusy(true);
    setProblem(undefined);
    try {
      const photo = await files.openPhoto(blob);
      setOpened({ photo, url: URL.createObjectURL(new Blob([photo.bytes], { type: "image/jpeg" })) });
      setSpots(START);
      setRead(undefined);
      setWhich("porcelain");
    } catch (error) {
      setProblem(wordsOf(error));
    }
    setBusy(false);
  };
  const move = (of: Which, spot: Spot) => {
    const next = { ...spots, [of]: spot };
    setSpots(next);
    // The first tap shows the porcelain, the second the white; from then on both stand and each can be moved.
    if (of === "porcelain" && !read) setWhich("white");
    if (of === "white" || read)
      files
        .readTone(next.porcelain, next.white)
        .then(setRead, (error: unknown) => setProblem(wordsOf(error)));
  };
  const sample = (name: string) =>
    fetchSample(`${name}.jpg`).then(open, (error: unknown) => setProblem(wordsOf(error)));
  return (
    <section className="stack photo-reader" aria-label="From a photo">
      <div className="row">
        <FileButton
          words={busy ? "Opening…" : "Take or choose a photo"}
          disabled={busy}
          accept="image/*"
          label="Photo of the plug"
          onFiles={([chosen]) => chosen && void open(chosen)}
        />
        <span className="quiet">or try a sample:</span>
        {SAMPLES.map(({ file: name, name: words }) => (
          <Button key={name} onClick={() => void sample(name)} disabled={busy}>
            {words}
          </Button>
        ))}
      </div>
      {problem !== undefined && <Caution grave>{problem}</Caution>}
      {opened && (
        <>
          <Choice
            label="Tap in the photo"
            value={which}
            options={(["porcelain", "white"] as const).map((value) => ({ value, text: NAMES[value] }))}
            onChange={setWhich}
          />
          <SpotPicker {...opened} spots={spots} which={which} onMove={move} />
          {read ? (
            <Verdict read={read} onUse={() => onRead(read.tone, read.sure)} />
          ) : (
            <p className="quiet flush" role="status">
              {which === "porcelain"
                ? "Tap the porcelain near its root."
                : "Now tap something white in the same light: paper, a clean rag."}
            </p>
          )}
        </>
      )}
    </section>
  );
}

function Verdict({ read, onUse }: { read: ToneRead; onUse: () => void }) {
  return (
    <div className="stack tight" role="status">
      <div className="row">
        <span className={css["swatch"]} style={{ background: read.corrected }} aria-hidden />
        <span>
          Under white light: <strong>{read.tone}</strong>, {certainty(read.sure)}; else {read.else}.
        </span>
        <Button variant="contained" onClick={onUse}>
          Use {read.tone}
        </Button>
      </div>
      {read.doubts.map((doubt) => (
        <Caution key={doubt}>{DOUBT_WORDS[doubt]}</Caution>
      ))}
      <p className="quiet flush">
        Your own eye wins. Choose another tone above and the photo no longer counts.
      </p>
    </div>
  );
}

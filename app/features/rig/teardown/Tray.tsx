import css from "../rig.module.css";
import { type TeardownEntry } from "#core/log/schema.ts";
import { PhotoImage } from "./PhotoImage.tsx";
import { TEARDOWN_WORDS } from "#app/vocabulary/teardown.ts";

/** What lies on the bench, in the order it came out; it goes back from the end. */
export function Tray({ out, rigId }: { out: readonly TeardownEntry[]; rigId: string }) {
  if (out.length === 0)
    return (
      <p className="quiet flush">
        The tray is empty. Parts appear here in the order they come out, and go back from the last to the
        first.
      </p>
    );
  return (
    <ol className={css["tray"]} aria-label="Parts tray">
      {out.map((entry, i) => {
        const { title } = TEARDOWN_WORDS[entry.step];
        return (
          <li key={entry.id}>
            <span className="number">{i + 1}</span>
            <strong>{title}</strong>
            <span>{entry.reads}</span>
            <small className="quiet">
              {entry.at.slice(11, 16)}
              {entry.torque === "" ? "" : ` · ${entry.torque}`}
            </small>
            {entry.photos.map((photo) => (
              <PhotoImage
                key={photo.id}
                rigId={rigId}
                photo={photo}
                words={`${title}, ${entry.at.slice(0, 10)}`}
              />
            ))}
          </li>
        );
      })}
    </ol>
  );
}

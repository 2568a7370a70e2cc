import clsx from "clsx";
import css from "../rig.module.css";
import { useEffect, useState } from "react";
import type { PhotoRef } from "#core/log/schema.ts";
import { readPhoto } from "#app/store/photos.ts";

const MISSING = "missing";

/** A photo from the browser's store; says so when it stayed behind on another device. */
export function PhotoImage({ rigId, photo, words }: { rigId: string; photo: PhotoRef; words: string }) {
  const [address, setAddress] = useState<string>();
  useEffect(() => {
    let made: string | undefined;
    let gone = false;
    void readPhoto(rigId, photo.id).then((bytes) => {
      if (gone) return;
      made = bytes && URL.createObjectURL(new Blob([bytes], { type: "image/jpeg" }));
      setAddress(made ?? MISSING);
    });
    return () => {
      gone = true;
      if (made !== undefined) URL.revokeObjectURL(made);
    };
  }, [rigId, photo.id]);
  if (address === MISSING)
    return <span className={clsx(css["photo"], "quiet")}>Photo not on this device</span>;
  return address === undefined ? (
    <span className={css["photo"]} />
  ) : (
    <a className={css["photo"]} href={address} target="_blank" rel="noreferrer">
      <img src={address} alt={words} width={photo.widthPx} height={photo.heightPx} />
    </a>
  );
}

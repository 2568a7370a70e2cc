/** Questions about a track that its file does not answer. */
import * as z from "zod/mini";
import type { TrackAnswers } from "#core/route/track.ts";

export const TrackSaid = z.object({
  zeroHeights: z.exactOptional(z.enum(["true", "missing"])),
  order: z.exactOptional(z.enum(["byTime", "asFiled"])),
});

interface TrackQuestion {
  readonly about: keyof TrackAnswers;
  readonly label: string;
  readonly options: readonly { readonly value: string; readonly text: string }[];
}

export const TRACK_QUESTIONS: readonly TrackQuestion[] = [
  {
    about: "zeroHeights",
    label: "Some heights are exactly 0. Is that true?",
    options: [
      { value: "true", text: "Yes, by the sea" },
      { value: "missing", text: "No, they are missing" },
    ],
  },
  {
    about: "order",
    label: "The times jump back and forth. What counts?",
    options: [
      { value: "byTime", text: "The times" },
      { value: "asFiled", text: "The order in the file" },
    ],
  },
];

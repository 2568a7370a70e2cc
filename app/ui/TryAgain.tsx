import { later } from "./later.tsx";

export interface TryAgainProps {
  readonly variant?: "contained" | "outlined";
}

const Bare = () => (
  <button type="button" className="button-room start" onClick={() => location.reload()}>
    Try again
  </button>
);

/** Where something has gone wrong, the way out does not wait for anything more. */
export const TryAgain = later<TryAgainProps>(() => import("./DressedReload.tsx"), { Meanwhile: Bare });

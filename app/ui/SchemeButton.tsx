import { later } from "./later.tsx";

const Room = () => <span className="scheme-room" />;

export const SchemeButton = later<{ wordy?: boolean }>(() => import("./LightButton.tsx"), {
  Meanwhile: Room,
});

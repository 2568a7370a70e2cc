import Brightness4 from "@mui/icons-material/Brightness4";
import DarkMode from "@mui/icons-material/DarkMode";
import LightMode from "@mui/icons-material/LightMode";
import WbSunny from "@mui/icons-material/WbSunny";
import { useColorScheme } from "@mui/material/styles";
import { LIGHT_KEYS } from "#app/theme/light-keys.ts";

const LIGHTS = {
  day: { name: "day", Icon: LightMode, next: "sun" },
  sun: { name: "full sun", Icon: WbSunny, next: "night" },
  night: { name: "night", Icon: DarkMode, next: "device" },
  device: { name: "as the device", Icon: Brightness4, next: "day" },
} as const;

type Light = keyof typeof LIGHTS;

/** A browser tells its other pages alone what is stored; what is dressed by itself in this one hears it too. */
const heardInThisPage = (key: string, newValue: string): boolean =>
  window.dispatchEvent(new StorageEvent("storage", { key, newValue }));

/** Day, full sun, night, or as the device has it. */
function useLight() {
  const { mode, lightColorScheme, setMode, setColorScheme } = useColorScheme();
  const bright = lightColorScheme === "sun" ? "sun" : "day";
  const light: Light = mode === "dark" ? "night" : mode === "light" ? bright : "device";
  const { name, Icon, next } = LIGHTS[light];
  const change = () => {
    const scheme = next === "sun" ? "sun" : "light";
    const chosen = next === "night" ? "dark" : next === "device" ? "system" : "light";
    setColorScheme({ light: scheme });
    setMode(chosen);
    heardInThisPage(`${LIGHT_KEYS.scheme}-light`, scheme);
    heardInThisPage(LIGHT_KEYS.mode, chosen);
  };
  return { words: `Light: ${name}. Change to ${LIGHTS[next].name}`, name, Icon, change };
}

/** @param wordy - says it beside the icon too */
export default function LightButton({ wordy = false }: { wordy?: boolean }) {
  const { words, name, Icon, change } = useLight();
  return (
    <button type="button" onClick={change} aria-label={words} title={words}>
      {wordy && `Light: ${name}`}
      <Icon fontSize="small" />
    </button>
  );
}

import Brightness4 from "@mui/icons-material/Brightness4";
import DarkMode from "@mui/icons-material/DarkMode";
import LightMode from "@mui/icons-material/LightMode";
import WbSunny from "@mui/icons-material/WbSunny";
import { useColorScheme } from "@mui/material/styles";

const LIGHTS = {
  day: { name: "day", Icon: LightMode, next: "sun" },
  sun: { name: "full sun", Icon: WbSunny, next: "night" },
  night: { name: "night", Icon: DarkMode, next: "device" },
  device: { name: "as the device", Icon: Brightness4, next: "day" },
} as const;

type Light = keyof typeof LIGHTS;

/** Day, full sun, night, or as the device has it. */
function useLight() {
  const { mode, lightColorScheme, setMode, setColorScheme } = useColorScheme();
  const bright = lightColorScheme === "sun" ? "sun" : "day";
  const light: Light = mode === "dark" ? "night" : mode === "light" ? bright : "device";
  const { name, Icon, next } = LIGHTS[light];
  const change = () => {
    setColorScheme({ light: next === "sun" ? "sun" : "light" });
    setMode(next === "night" ? "dark" : next === "device" ? "system" : "light");
  };
  return { words: `Light: ${name}. Change to ${LIGHTS[next].name}`, name, Icon, change };
}

/** @param wordy - says it beside the icon too */
export function LightButton({ wordy = false }: { wordy?: boolean }) {
  const { words, name, Icon, change } = useLight();
  return (
    <button type="button" onClick={change} aria-label={words} title={words}>
      {wordy && `Light: ${name}`}
      <Icon fontSize="small" />
    </button>
  );
}

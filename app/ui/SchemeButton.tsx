import Brightness4 from "@mui/icons-material/Brightness4";
import DarkMode from "@mui/icons-material/DarkMode";
import LightMode from "@mui/icons-material/LightMode";
import { useColorScheme } from "@mui/material/styles";

const NEXT = { light: "dark", dark: "system", system: "light" } as const;
const NAMES = { light: "day", dark: "night", system: "as the device" } as const;
const ICONS = { light: LightMode, dark: DarkMode, system: Brightness4 } as const;

/** Day, night, or as the device has it. */
export function SchemeButton() {
  const { mode = "system", setMode } = useColorScheme();
  const Icon = ICONS[mode];
  const words = `Light: ${NAMES[mode]}. Change to ${NAMES[NEXT[mode]]}`;
  return (
    <button type="button" onClick={() => setMode(NEXT[mode])} aria-label={words} title={words}>
      <Icon fontSize="small" />
    </button>
  );
}

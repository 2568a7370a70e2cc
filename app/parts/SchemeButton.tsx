import { useColorScheme } from "@mui/material/styles";

const NEXT = { light: "dark", dark: "system", system: "light" } as const;
const NAMES = { light: "Day", dark: "Night", system: "Auto" } as const;

/** Day, night, or as the device has it. */
export function SchemeButton() {
  const { mode = "system", setMode } = useColorScheme();
  return (
    <button
      type="button"
      onClick={() => setMode(NEXT[mode])}
      aria-label={`Light: ${NAMES[mode]}. Change to ${NAMES[NEXT[mode]]}`}
    >
      {NAMES[mode]}
    </button>
  );
}

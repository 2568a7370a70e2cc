/** The colours of the theme as they are now, for a canvas. */
import { useEffect, useState } from "react";
import { useColorScheme } from "@mui/material/styles";
import type { Roles } from "./chart.ts";

function rolesNow(): Roles {
  const style = getComputedStyle(document.documentElement);
  const role = (name: string) => style.getPropertyValue(`--${name}`).trim();
  return { ink: role("ink"), quiet: role("quiet"), paper: role("paper"), hairline: role("hairline") };
}

/** @returns nothing until they are known */
export function useRoles(): Roles | undefined {
  const { mode, lightColorScheme, darkColorScheme, systemMode } = useColorScheme();
  const [roles, setRoles] = useState<Roles>();
  useEffect(() => {
    // The scheme's class is on the page by the next frame.
    const frame = requestAnimationFrame(() => setRoles(rolesNow()));
    return () => cancelAnimationFrame(frame);
  }, [mode, lightColorScheme, darkColorScheme, systemMode]);
  return roles;
}

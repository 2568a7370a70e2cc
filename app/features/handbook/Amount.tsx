/** An amount as this device shows it; until its preferences are read, in metric units with the others beside. */
import { createContext, useContext, useEffect, useState, type ReactNode } from "react";
import type { QuantityKind } from "#core/units/quantity.ts";
import { readPreferences } from "#app/store/preferences.ts";
import type { Preferences } from "#app/vocabulary/preferences.ts";
import { formatQuantity } from "#app/vocabulary/numerals.ts";

const BOTH = { temperature: ["°C", "°F"], length: ["m", "ft"], pressure: ["hPa", "inHg"] } as const;
type Shown = keyof typeof BOTH & QuantityKind;

const Chosen = createContext<Preferences | undefined>(undefined);

/** Around the pages: what this device likes, once scripts run. */
export function WithPreferences({ children }: { children: ReactNode }) {
  const [chosen, setChosen] = useState<Preferences>();
  useEffect(() => void readPreferences().then(setChosen), []);
  return <Chosen value={chosen}>{children}</Chosen>;
}

/** @returns an amount in words, given in SI */
export function useAmount(): (of: Shown, si: number) => string {
  const chosen = useContext(Chosen);
  return (of, si) => {
    if (chosen) return formatQuantity(of, si, chosen[of] as never);
    const [metric, other] = BOTH[of];
    return `${formatQuantity(of, si, metric as never)} (${formatQuantity(of, si, other as never)})`;
  };
}

interface AmountProps {
  readonly of: Shown;
  /** in SI units */
  readonly is: number;
}

export function Amount({ of, is }: AmountProps) {
  return <>{useAmount()(of, is)}</>;
}

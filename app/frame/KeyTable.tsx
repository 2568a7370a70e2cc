import { PLACES, type Screen } from "./places.ts";

const placeWords = (name: string, screens: readonly Screen[]): string =>
  screens.length === 1
    ? `Go to ${name}`
    : `Go to ${name}; then ${screens.map((screen, i) => `${i + 1} ${screen.name}`).join(", ")}`;

export const KEYS = [
  ["a", "Read the air"],
  ["l", "Log a look"],
  ["c", "I fitted what is advised; else type what I changed"],
  ["b", "Put the last change back"],
  ["y", "Why this advice"],
  ["w", "What if"],
  ...PLACES.filter(({ inPractice }) => inPractice !== "alone").map(
    ({ key, name, screens }) => [`g ${key}`, placeWords(name, screens)] as const,
  ),
  ["g h", "Go to the paddock"],
  ["h", "The handbook’s page of this screen"],
  ["?", "This list; keys are switched off under Data, Keys and hints"],
  ["Esc", "Close"],
] as const;

export const KeyTable = () => (
  <table>
    <tbody>
      {KEYS.map(([key, what]) => (
        <tr key={key}>
          <td style={{ paddingRight: 24, whiteSpace: "nowrap", verticalAlign: "top" }}>
            <kbd className="key">{key}</kbd>
          </td>
          <td style={{ paddingBlock: 4 }}>{what}</td>
        </tr>
      ))}
    </tbody>
  </table>
);

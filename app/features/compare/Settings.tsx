/** Two settings that were fitted, side by side in the newest air, by all that is known now. */
import css from "./compare.module.css";
import { useSearchParams } from "react-router";
import { ZONES } from "#core/carburettor/zones.ts";
import type { FittedOnce, SettingsCompared } from "#core/day/compare-settings.ts";
import { useJudge } from "#app/frame/use-judge.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { PickField } from "#app/ui/PickField.tsx";
import { Working } from "#app/ui/Working.tsx";
import { airWords } from "#app/vocabulary/entries.ts";
import { mixtureWords, ZONE_NAMES } from "#app/vocabulary/parts.ts";
import { SettingList } from "./SettingList.tsx";
import { movedBy, settingName } from "./words.ts";

export type TwoOrMore = readonly [FittedOnce, FittedOnce, ...FittedOnce[]];

function Table({ compared: { a, b, parts } }: { compared: SettingsCompared }) {
  return (
    <div className="scroll-x">
      <table className="figures">
        <caption className="label">Zone by zone, in the same air</caption>
        <thead>
          <tr>
            <th scope="col">Zone</th>
            <th scope="col">First</th>
            <th scope="col">Second</th>
            <th scope="col">The second against the first</th>
          </tr>
        </thead>
        <tbody>
          {ZONES.map((zone) => (
            <tr key={zone}>
              <th scope="row">{ZONE_NAMES[zone]}</th>
              <td>{mixtureWords(a.zones[zone].mean)}</td>
              <td>{mixtureWords(b.zones[zone].mean)}</td>
              <td>{movedBy(parts[zone])}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

export function Settings({ fitted }: { fitted: TwoOrMore }) {
  const { preferences } = useRig();
  const [query, setQuery] = useSearchParams();
  const chosen = (name: "first" | "second", otherwise: number) => {
    const asked = Number(query.get(name) ?? otherwise);
    return fitted[asked] ? asked : otherwise;
  };
  const [first, second] = [chosen("first", 1), chosen("second", 0)];
  const [a, b] = [(fitted[first] ?? fitted[1]).setting, (fitted[second] ?? fitted[0]).setting];
  const { value, working, problem } = useJudge({ ask: "settings", a, b });
  const pick = (name: "first" | "second", label: string, at: number) => (
    <PickField
      label={label}
      value={String(at)}
      options={fitted.map((one, i) => [String(i), settingName(one)] as const)}
      onChange={({ target }) =>
        setQuery(
          { by: "settings", first: String(first), second: String(second), [name]: target.value },
          { replace: true },
        )
      }
    />
  );
  return (
    <>
      <div className={css["pick"]}>
        {pick("first", "First setting", first)}
        {pick("second", "Second setting", second)}
      </div>
      {problem !== undefined && <Caution grave>The settings could not be compared: {problem}</Caution>}
      {!value && problem === undefined && <Working words="Working out both…" />}
      {value && (
        <div className="stack wide" aria-busy={working}>
          <div className={css["sides"]}>
            <section className={css["side"]} aria-label="The first">
              <h2>First</h2>
              <SettingList setting={value.a.setting} other={value.b.setting} />
            </section>
            <section className={css["side"]} aria-label="The second">
              <h2>Second</h2>
              <SettingList setting={value.b.setting} other={value.a.setting} />
            </section>
          </div>
          <Table compared={value} />
          <p className="quiet flush">
            Both in the newest air ({airWords(value.air, preferences)}), by all we know of this engine now.
          </p>
        </div>
      )}
    </>
  );
}

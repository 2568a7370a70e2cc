/** Two days compared: the share of the air, of the parts, and of the engine. */
import css from "./compare.module.css";
import { useSearchParams } from "react-router";
import type { DaysCompared, DaySide } from "#core/day/compare-days.ts";
import { ZONES } from "#core/carburettor/zones.ts";
import { useJudge } from "#app/frame/use-judge.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { PickField } from "#app/ui/PickField.tsx";
import { Working } from "#app/ui/Working.tsx";
import { dayTitle } from "#app/vocabulary/days.ts";
import { airWords } from "#app/vocabulary/entries.ts";
import { mixtureWords, ZONE_NAMES } from "#app/vocabulary/parts.ts";
import { SettingList } from "./SettingList.tsx";
import { mostWords, movedBy } from "./words.ts";

function Side({ side, other }: { side: DaySide; other: DaySide }) {
  const { preferences } = useRig();
  return (
    <section className={css["side"]} aria-label={dayTitle(side.day)}>
      <h2>{dayTitle(side.day)}</h2>
      <p className="quiet flush">
        {side.air.place !== "" && `${side.air.place} · `}
        {airWords(side.air, preferences)}
      </p>
      <SettingList setting={side.setting} other={other.setting} />
      <p className="quiet flush">
        {side.looks === 0 ? "Nothing looked at" : side.looks === 1 ? "One look" : `${side.looks} looks`} that
        day.
      </p>
    </section>
  );
}

function Taken({ compared }: { compared: DaysCompared }) {
  const { a, b, air, parts, engine } = compared;
  return (
    <div className="scroll-x">
      <table className="figures">
        <caption className="label">From the first to the second, zone by zone</caption>
        <thead>
          <tr>
            <th scope="col">Zone</th>
            <th scope="col">First</th>
            <th scope="col">Air</th>
            <th scope="col">Parts</th>
            <th scope="col">Engine</th>
            <th scope="col">Second</th>
          </tr>
        </thead>
        <tbody>
          {ZONES.map((zone) => (
            <tr key={zone}>
              <th scope="row">{ZONE_NAMES[zone]}</th>
              <td>{mixtureWords(a.zones[zone].mean)}</td>
              <td>{movedBy(air[zone])}</td>
              <td>{movedBy(parts[zone])}</td>
              <td>{movedBy(engine[zone])}</td>
              <td>{mixtureWords(b.zones[zone].mean)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

export function Days({ days }: { days: readonly string[] }) {
  const [query, setQuery] = useSearchParams();
  const known = (name: string, otherwise: string | undefined) => {
    const asked = query.get(name);
    return asked !== null && days.includes(asked) ? asked : (otherwise ?? "");
  };
  const [a, b] = [known("a", days[1]), known("b", days[0])];
  const { value: compared, working, problem } = useJudge({ ask: "compare", a, b });
  const pick = (name: "a" | "b", label: string, value: string) => (
    <PickField
      label={label}
      value={value}
      options={days.map((day) => [day, dayTitle(day)] as const)}
      onChange={({ target }) => setQuery({ a, b, [name]: target.value }, { replace: true })}
    />
  );
  return (
    <>
      <div className={css["pick"]}>
        {pick("a", "First day", a)}
        {pick("b", "Second day", b)}
      </div>
      {problem !== undefined && <Caution grave>The days could not be compared: {problem}</Caution>}
      {!compared && problem === undefined && <Working words="Going back to both days…" />}
      {compared && (
        <div className="stack wide" aria-busy={working}>
          <p className="flush" role="status">
            {mostWords(compared)}
          </p>
          <div className={css["sides"]}>
            <Side side={compared.a} other={compared.b} />
            <Side side={compared.b} other={compared.a} />
          </div>
          <Taken compared={compared} />
          <p className="quiet flush">
            Each day as we saw it at its end, with the last setting and the last air. <em>Air</em> and{" "}
            <em>parts</em>: what they do to this engine, by what we know on the later day. <em>Engine</em>:
            the rest. It has changed, or we know more about it.
          </p>
        </div>
      )}
    </>
  );
}

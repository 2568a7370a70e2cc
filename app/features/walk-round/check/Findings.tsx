import clsx from "clsx";
import css from "../walk-round.module.css";
import { CheckName, type FindingName } from "#core/log/walk-round-names.ts";
import { CHECK_PLAN, type Finding } from "#core/walkround/checks.ts";
import { FINDING_WORDS } from "#app/vocabulary/findings.ts";
import { EFFECT_WORDS, REMEDY_WORDS } from "#app/vocabulary/walk-round-guide.ts";

export function Findings({
  check,
  found,
  onChange,
}: {
  check: CheckName;
  found: readonly FindingName[];
  onChange: (found: FindingName[]) => void;
}) {
  const findings = Object.entries(CHECK_PLAN[check].findings) as [FindingName, Finding][];
  return (
    <fieldset className="choices stack tight">
      <legend className="label">Found</legend>
      {findings.map(([name, { effect, gravity }]) => {
        const on = found.includes(name);
        return (
          <label key={name} className={clsx(css["finding"], on && css["on"])}>
            <input
              type="checkbox"
              checked={on}
              onChange={() => onChange(on ? found.filter((other) => other !== name) : [...found, name])}
            />
            <span>
              <strong>{FINDING_WORDS[name]}</strong>
              <small>
                {gravity === "stop" ? "Stop" : "Note"}: {EFFECT_WORDS[effect]}. {on && REMEDY_WORDS[name]}
              </small>
            </span>
          </label>
        );
      })}
    </fieldset>
  );
}

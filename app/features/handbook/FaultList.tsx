/** Each fault that no jet cures: what it does, the check that proves it, what else would tell. */
import { FAULTS } from "#core/faults/registry.ts";
import { FAULT_NAMES } from "#core/log/fault-names.ts";
import { ELSE_TELLS, FAULT_WORDS } from "#app/vocabulary/faults.ts";
import { capital } from "#app/vocabulary/parts.ts";
import { CHECK_WORDS } from "#app/vocabulary/walk-round.ts";

export const FaultList = () => (
  <>
    {FAULT_NAMES.map((fault) => (
      <section key={fault} id={fault}>
        <h2>{capital(FAULT_WORDS[fault].name)}</h2>
        <p>{FAULT_WORDS[fault].does}</p>
        <p>
          <strong>The check that proves it:</strong> {CHECK_WORDS[FAULTS[fault].check].title}.{" "}
          {ELSE_TELLS[fault]}
        </p>
      </section>
    ))}
  </>
);

/** Each fault that no jet cures, with what it does; its page says how it is proved. */
import { Link } from "react-router";
import { FAULT_NAMES } from "#core/log/fault-names.ts";
import { FAULT_WORDS } from "#app/vocabulary/faults.ts";
import { faultPage } from "#app/vocabulary/help.ts";
import { capital } from "#app/vocabulary/parts.ts";

export const FaultList = () => (
  <dl>
    {FAULT_NAMES.map((fault) => (
      <div key={fault}>
        <dt>
          <Link to={faultPage(fault)}>{capital(FAULT_WORDS[fault].name)}</Link>
        </dt>
        <dd>{FAULT_WORDS[fault].does}</dd>
      </div>
    ))}
  </dl>
);

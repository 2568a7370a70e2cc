import Button from "@mui/material/Button";
import { useState } from "react";
import { useFetcher } from "react-router";
import { formatQuantity } from "#core/units/quantity.ts";
import type { CylindersSent } from "./form.ts";
import { TypedField } from "#app/ui/TypedField.tsx";
import { Caution } from "#app/ui/Caution.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import type { ActionProblem } from "#app/journal/save.ts";

/** Which pipe is hottest and which coldest, against the spread this rig may have. */
function Verdict() {
  const { present, build, preferences } = useRig();
  const { headers } = present;
  if (!headers) return null;
  const seen = headers.temperaturesK.flatMap((kelvin, i) =>
    kelvin === null ? [] : [{ kelvin, cylinder: i + 1 }],
  );
  if (seen.length < 2) return null;
  const hot = seen.reduce((most, one) => (one.kelvin > most.kelvin ? one : most));
  const cold = seen.reduce((least, one) => (one.kelvin < least.kelvin ? one : least));
  const unit = preferences.temperature;
  const show = (kelvin: number) => formatQuantity("temperature", kelvin, unit);
  const difference = hot.kelvin - cold.kelvin;
  const size = `${Math.round(unit === "°F" ? difference * 1.8 : difference)} ${unit}`;
  const allowed = build.sync?.headerSpreadK;
  const out = allowed !== undefined && difference > allowed;
  return (
    <Caution plain={!out}>
      {headers.at.slice(11, 16)}: hottest {hot.cylinder} ({show(hot.kelvin)}), coldest {cold.cylinder} (
      {show(cold.kelvin)}
      ), {size} apart
      {allowed === undefined
        ? "; no allowed spread is given for this rig."
        : out
          ? ": more than this rig may have. A cold pipe is a weak cylinder or a rich one, a hot one lean or late."
          : ": within what this rig may have."}
    </Caution>
  );
}

/** Header pipes pointed at one after the other, at the same place on each. */
export function HeaderPipes() {
  const { build, preferences } = useRig();
  const unit = preferences.temperature;
  const fetcher = useFetcher<ActionProblem>();
  const known = build.sync?.headerSpreadK;
  const [texts, setTexts] = useState<readonly string[]>(() =>
    Array.from({ length: build.engine.cylinders }, () => ""),
  );
  const [allowed, setAllowed] = useState(
    known === undefined ? "" : String(Math.round(unit === "°F" ? known * 1.8 : known)),
  );
  const fields = fetcher.data?.fields;
  const save = () => {
    const sent: CylindersSent = { intent: "headers", texts: [...texts], allowed };
    void fetcher.submit(JSON.stringify(sent), { method: "post", encType: "application/json" });
  };
  return (
    <section className="stack">
      <h2>Header pipes</h2>
      <p className="quiet flush">
        At a steady fast idle, a hand’s breadth from the port, the same spot on each.
      </p>
      <div className="gauge-fields">
        {texts.map((text, i) => (
          <TypedField
            key={i}
            label={`Pipe ${i + 1}, ${unit}`}
            value={text}
            onChange={({ target }) => setTexts(texts.map((old, k) => (k === i ? target.value : old)))}
            problem={fields?.[`header-${i}`]}
            keys="decimal"
          />
        ))}
        <TypedField
          label={`Allowed spread, ${unit}`}
          value={allowed}
          onChange={({ target }) => setAllowed(target.value)}
          problem={fields?.["allowed"]}
          hint="By this rig’s manual or your own experience."
          keys="decimal"
        />
      </div>
      <Caution>Pipes burn: point, do not touch. In the open, away from what burns.</Caution>
      <Verdict />
      <Problem message={fetcher.data?.message ?? fields?.["headers"]} />
      <Button variant="contained" disabled={fetcher.state !== "idle"} onClick={save} className="start">
        Save the pipes
      </Button>
    </section>
  );
}

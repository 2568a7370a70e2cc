/** One part looked at: its line along the throttle against what is fitted, what it would want, and in it goes. */
import Button from "@mui/material/Button";
import { useState } from "react";
import { Link } from "react-router";
import { PARTS } from "#core/log/parts.ts";
import type { PartTried } from "#core/advice/parts/parts-on-bench.ts";
import { partInPlaceOf } from "#core/rig/bench-part.ts";
import { buildOfCarburettor, carburettorCount } from "#core/rig/carburettors.ts";
import { placeHref } from "#app/frame/places.ts";
import { MiniStrip } from "#app/frame/strip/Strip.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import { localInstant } from "#app/journal/clock.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { TypedField } from "#app/ui/TypedField.tsx";
import { benchPartWords, partMeasure } from "#app/vocabulary/bench-parts.ts";
import { capital, certainty, partInSentence, partValue } from "#app/vocabulary/parts.ts";
import { useSendPart } from "./use-send-part.ts";

function Fit({ tried }: { tried: PartTried }) {
  const { build, carburettor } = useRig();
  const { part } = tried;
  const body = buildOfCarburettor(build, carburettor).carburettor;
  const out = partInPlaceOf(body, part, "out");
  const count = carburettorCount(build);
  const [outName, setOutName] = useState(`taken out ${localInstant().slice(0, 10)}`);
  const { send, answer, busy } = useSendPart();
  return (
    <form
      className="form"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        send({ intent: "fit", name: part.name, outName, carburettor });
      }}
    >
      <Caution plain>
        Tap off, engine cold, a rag in the open inlet. Afterwards the slide must snap shut by itself, before
        anything is started.
      </Caution>
      {count > 1 && (
        <p className="flush">
          {build.others
            ? `It goes into carburettor ${carburettor + 1}.`
            : `The ${count} carburettors are described as alike: it goes into all of them, so there must be ${count}.`}
        </p>
      )}
      {out && (
        <TypedField
          label="What comes out is called"
          value={outName}
          most={60}
          problem={answer?.fields?.["outName"]}
          hint={`${capital(partMeasure(out))}; it lies in the box from then on.`}
          onChange={({ target }) => setOutName(target.value)}
        />
      )}
      <Problem message={answer?.message} />
      <div className="row">
        <Button type="submit" variant="contained" disabled={busy}>
          {busy ? "Saving…" : "It is in"}
        </Button>
        <span className="quiet">
          Logged as another part. What depends on it becomes uncertain again; the rest stays as learnt.
        </span>
      </div>
    </form>
  );
}

export function PartPanel({ tried }: { tried: PartTried }) {
  const { advice, header } = useRig();
  const { part } = tried;
  if (tried.state === "impossible") return <Caution>It cannot be in this carburettor: {tried.why}.</Caution>;
  if (tried.state === "fitted")
    return <p className="flush">{capital(benchPartWords(part))} is in already.</p>;
  const sets = PARTS.filter((name) => advice && advice.fitted[name] !== tried.setting[name]).map(
    (name) => `${partInSentence(name)} ${partValue(name, tried.setting[name])}`,
  );
  const place = new URLSearchParams({ part: part.name });
  return (
    <section className="stack" aria-label={part.name}>
      <h2>{capital(part.name)}</h2>
      <div>
        <span className="label">With it, the rest set for it; the broken line is as fitted today</span>
        <MiniStrip
          advice={tried}
          {...(advice && { against: advice })}
          label="Mixture along the throttle with this part; the broken line is as fitted today"
        />
      </div>
      <p className="flush">
        {sets.length === 0 ? "Nothing else would be set otherwise." : `It would want ${sets.join(", ")}.`}{" "}
        {tried.gain > 0
          ? `Better than without it, all set for either: ${certainty(tried.chanceBetter)}.`
          : "It is not worth its work, by what we know now."}
      </p>
      {!tried.safe && (
        <Caution grave>With this part no setting from your box is safe at full throttle.</Caution>
      )}
      <div className="row">
        <Button
          component={Link}
          variant="outlined"
          to={`${placeHref(header.id, "what-if")}?${place.toString()}`}
        >
          Try it in What if
        </Button>
      </div>
      <Fit tried={tried} />
    </section>
  );
}

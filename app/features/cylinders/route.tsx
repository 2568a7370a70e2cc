import Button from "@mui/material/Button";
import { Link } from "react-router";
import type { Distribution } from "#core/advice/card/cylinders.ts";
import type { Outlier } from "#core/advice/judge/departures.ts";
import { CYLINDER_SCHOOLS, type CylinderSchool } from "#core/log/schools.ts";
import { PARTS } from "#core/log/parts.ts";
import { DistributionTable } from "./DistributionTable.tsx";
import { HeaderPipes } from "./HeaderPipes.tsx";
import { PlugsSideBySide } from "./PlugsSideBySide.tsx";
import { plugsForm } from "./form.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { Step } from "#app/ui/Step.tsx";
import { Working } from "#app/ui/Working.tsx";
import { unbroken } from "#app/ui/unbroken.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { placeHref } from "#app/frame/places.ts";
import { rigAction } from "#app/journal/rig-action.ts";
import { useJudge } from "#app/frame/use-judge.ts";
import { useSchool } from "#app/frame/use-school.ts";
import { Problem } from "#app/ui/Problem.tsx";
import {
  causesOf,
  CYLINDER_SCHOOL_WORDS,
  outlierReason,
  outlierTitle,
  schoolWords,
} from "#app/vocabulary/cylinders.ts";
import { PART_NAMES } from "#app/vocabulary/parts.ts";

export const clientAction = rigAction({
  codec: ({ rig }) => plugsForm(rig.build),
  form: "plugs",
  entries: (contents) => contents,
});

function OutlierPanel({ outlier, school }: { outlier: Outlier; school: CylinderSchool }) {
  const { header } = useRig();
  return (
    <section className="stack tight" aria-label={`Cylinder ${outlier.cylinder} differs`}>
      <Caution>
        {outlierTitle(outlier)}. {outlierReason(outlier)} Look at these first:
      </Caution>
      <ol className="steps">
        {causesOf(outlier).map(({ text, place }) => (
          <li key={text}>
            {place === undefined ? text : <Link to={placeHref(header.id, place)}>{text}</Link>}
          </li>
        ))}
      </ol>
      <p className="flush">{schoolWords(school, outlier)}</p>
    </section>
  );
}

/** What each carburettor would be given for its own cylinders, and whom it feeds. */
function OwnJetsTable({ ownJets }: Pick<Distribution, "ownJets">) {
  const { header } = useRig();
  return (
    <div className="scroll-x" tabIndex={0} role="region" aria-label="Own jets">
      <table className="figures">
        <caption className="label">Each jetted for its own</caption>
        <thead>
          <tr>
            <th scope="col">Carburettor</th>
            {PARTS.map((part) => (
              <th key={part} scope="col">
                {PART_NAMES[part]}
              </th>
            ))}
            <th scope="col">
              <span className="visually-hidden">Fit</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {ownJets.map(({ carburettor, feeds, fitted, setting }) => (
            <tr key={carburettor}>
              <th scope="row">
                {carburettor}
                <small className="quiet"> feeds {feeds.join(" and ")}</small>
              </th>
              {PARTS.map((part) => (
                <td key={part}>
                  <Step part={part} from={fitted[part]} to={setting[part]} />
                </td>
              ))}
              <td>
                <Button component={Link} to={`${placeHref(header.id, "change")}?carburettor=${carburettor}`}>
                  Change
                </Button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function title({ outliers, cylinders }: Distribution): { title: string; reason: string } {
  const [first] = outliers;
  if (first) return { title: outlierTitle(first), reason: outlierReason(first) };
  const looked = cylinders.some(({ zones }) => Object.values(zones).some(({ looks }) => looks > 0));
  return looked
    ? { title: "The cylinders agree", reason: "No cylinder differs by more than its jets explain." }
    : {
        title: "The cylinders were not compared yet",
        reason: "All of them are judged by what the engine as a whole showed. Read their plugs side by side.",
      };
}

export default function CylindersRoute() {
  const { build, present } = useRig();
  const { value: distribution, problem } = useJudge({ ask: "distribution" });
  const { choose, problem: unsaid } = useSchool();
  const school = present.schools.cylinders;
  if (build.engine.cylinders < 2)
    return (
      <div className="stack">
        <h1>One cylinder</h1>
        <p className="lead quiet">By its description this engine has nothing to compare.</p>
      </div>
    );
  if (!distribution)
    return problem === undefined ? (
      <Working words="Comparing the cylinders…" />
    ) : (
      <Caution grave>The cylinders could not be compared: {problem}</Caution>
    );
  const words = title(distribution);
  return (
    <div className="stack wide">
      <div aria-live="polite">
        <h1>{words.title}</h1>
        <p className="lead quiet">{unbroken(words.reason)}</p>
      </div>
      <DistributionTable cylinders={distribution.cylinders} />
      {distribution.outliers.map((outlier) => (
        <OutlierPanel key={outlier.cylinder} outlier={outlier} school={school} />
      ))}
      <Choice
        label="A cylinder that differs"
        value={school}
        options={CYLINDER_SCHOOLS.map((value) => ({ value, text: CYLINDER_SCHOOL_WORDS[value].name }))}
        onChange={(is) => choose({ what: "cylinders", is })}
      />
      <p className="quiet flush">{CYLINDER_SCHOOL_WORDS[school].how}</p>
      <Problem message={unsaid} />
      {school === "ownJets" && <OwnJetsTable ownJets={distribution.ownJets} />}
      <PlugsSideBySide />
      <HeaderPipes />
    </div>
  );
}

/** What a check can say beyond its limits: which way to bend, what the level does, which pin passed. */
import clsx from "clsx";
import css from "../walk-round.module.css";
import { useState } from "react";
import { ZONES } from "#core/carburettor/zones.ts";
import { buildModel } from "#core/carburettor/model.ts";
import type { BaseSheet, Build, CheckEntry, Setting } from "#core/log/schema.ts";
import type { CheckName } from "#core/log/walk-round-names.ts";
import type { HumidAir } from "#core/air/humid-air.ts";
import { rigFromBuild, settingFromLog } from "#core/rig/from-build.ts";
import { alignment } from "#core/walkround/concentricity.ts";
import { wetLevelEffect } from "#core/walkround/float.ts";
import { limitFor } from "#core/walkround/limits.ts";
import { overflowCauses, type Overflow } from "#core/walkround/overflow.ts";
import { floatVerdict, pinVerdict } from "#core/walkround/proposal.ts";
import { Choice } from "#app/ui/Choice.tsx";
import { BEND_WORDS, OVERFLOW_WORDS, PIN_WORDS } from "#app/vocabulary/walk-round-guide.ts";
import { shiftWords, zoneInSentence } from "#app/vocabulary/parts.ts";
import { fixed } from "#app/vocabulary/numerals.ts";

interface PanelProps {
  readonly check: CheckName;
  readonly measured: CheckEntry["measured"];
  readonly build: Build;
  readonly fitted: Setting;
  readonly sheet: BaseSheet | undefined;
  readonly air: HumidAir;
}

/** Bad measures are said at their fields; here they only mean that there is nothing to add. */
function attempt<T>(work: () => T): T | undefined {
  try {
    return work();
  } catch (error) {
    if (error instanceof RangeError) return undefined;
    throw error;
  }
}

function LevelEffect({
  build,
  fitted,
  air,
  lowerMm,
}: Omit<PanelProps, "check" | "measured" | "sheet"> & { lowerMm: number }) {
  const effect = attempt(() =>
    wetLevelEffect(buildModel(rigFromBuild(build)), settingFromLog(fitted), air, lowerMm),
  );
  if (!effect || lowerMm === 0) return null;
  const side = lowerMm > 0 ? "lower" : "higher";
  return (
    <p className={css["finding-panel"]}>
      Fuel {fixed(Math.abs(lowerMm), 1)} mm {side} than wanted makes{" "}
      {ZONES.map((zone) => `${zoneInSentence(zone)} ${shiftWords(effect[zone])}`).join(", ")}.
    </p>
  );
}

function FloatPanel({ measured, build, fitted, sheet, air }: PanelProps) {
  const verdict = attempt(() => floatVerdict({ measured }, build, sheet));
  if (!verdict) return null;
  return (
    <>
      <p className={css["finding-panel"]}>
        {BEND_WORDS[verdict.bend]}
        {verdict.bend !== "none" && ` Move it by ${fixed(Math.abs(verdict.moveMm), 1)} mm.`}
        {!verdict.parallel && " The two floats are not alike: bend one tab until they are."}
      </p>
      <LevelEffect build={build} fitted={fitted} air={air} lowerMm={-verdict.moveMm} />
    </>
  );
}

function LevelPanel({ measured, build, fitted, sheet, air }: PanelProps) {
  const limit = limitFor("wetLevelMm", build, sheet);
  const level = measured.wetLevelMm;
  if (level === undefined || !limit) return null;
  const wanted = ((limit.min ?? limit.max ?? level) + (limit.max ?? limit.min ?? level)) / 2;
  const within = level >= (limit.min ?? level) && level <= (limit.max ?? level);
  return within ? null : <LevelEffect build={build} fitted={fitted} air={air} lowerMm={level - wanted} />;
}

function PinPanel({ measured, build, fitted }: PanelProps) {
  return (["pilot", "main"] as const).map((part) => {
    const verdict = attempt(() => pinVerdict({ measured }, build, part, fitted[part]));
    return verdict ? (
      <p key={part} className={css["finding-panel"]}>
        {part === "pilot" ? "Pilot" : "Main"} {fitted[part]}: its hole has {verdict.fromMm} to {verdict.toMm}{" "}
        mm, the stamp means {fixed(verdict.stampedMm, 2)} mm. {PIN_WORDS[verdict.verdict]}
      </p>
    ) : null;
  });
}

function AlignmentPanel({ measured }: PanelProps) {
  const { stepTopMm, stepBottomMm, stepLeftMm, stepRightMm } = measured;
  if ([stepTopMm, stepBottomMm, stepLeftMm, stepRightMm].every((step) => step === undefined)) return null;
  const found = attempt(() =>
    alignment({
      topMm: stepTopMm ?? 0,
      bottomMm: stepBottomMm ?? 0,
      leftMm: stepLeftMm ?? 0,
      rightMm: stepRightMm ?? 0,
    }),
  );
  if (!found) return null;
  const moves = [
    found.upMm !== 0 && `${fixed(Math.abs(found.upMm), 2)} mm ${found.upMm > 0 ? "up" : "down"}`,
    found.toLeftMm !== 0 &&
      `${fixed(Math.abs(found.toLeftMm), 2)} mm to the ${found.toLeftMm > 0 ? "left" : "right"}`,
  ].filter(Boolean);
  return (
    <p className={css["finding-panel"]}>
      The two bores are {fixed(found.offsetMm, 2)} mm apart.
      {moves.length > 0 && ` In line when the carburettor moves ${moves.join(" and ")}.`} Type a step as +
      where the carburettor’s edge sticks into the stream.
    </p>
  );
}

function OverflowPanel() {
  const [from, setFrom] = useState<Overflow["from"]>("sideDrain");
  const [when, setWhen] = useState<Overflow["when"]>("standing");
  return (
    <div className={clsx(css["finding-panel"], "stack")}>
      <h3>Where does fuel come out?</h3>
      <Choice
        label="It runs from"
        value={from}
        options={[
          { value: "sideDrain", text: "The side drain" },
          { value: "standPipe", text: "The stand-pipe" },
        ]}
        onChange={setFrom}
      />
      <Choice
        label="When"
        value={when}
        options={[
          { value: "standing", text: "Engine off" },
          { value: "idling", text: "Idling" },
          { value: "roughRunning", text: "Shaking" },
          { value: "leaning", text: "Leant over" },
        ]}
        onChange={setWhen}
      />
      <ol style={{ margin: 0, paddingLeft: 20 }} aria-label="Likely causes">
        {overflowCauses({ from, when }).map((cause) => (
          <li key={cause}>{OVERFLOW_WORDS[cause]}</li>
        ))}
      </ol>
    </div>
  );
}

export function CheckPanel(props: PanelProps) {
  switch (props.check) {
    case "floatHeight":
      return <FloatPanel {...props} />;
    case "wetLevel":
      return <LevelPanel {...props} />;
    case "passages":
      return <PinPanel {...props} />;
    case "airLeaks":
      return <AlignmentPanel {...props} />;
    case "needleAndSeat":
      return <OverflowPanel />;
    default:
      return null;
  }
}

import css from "../frame.module.css";
import type { Advice } from "#core/advice/card/advise.ts";
import { Caution } from "#app/ui/Caution.tsx";
import type { RigContext } from "../use-rig.ts";
import { PutBack } from "../Taps.tsx";
import { CardOut } from "./CardOut.tsx";
import { leansTop } from "./words.ts";
import { fieldWords } from "#app/vocabulary/fields.ts";
import { sizeWords, zoneInSentence } from "#app/vocabulary/parts.ts";
import { checkList } from "#app/vocabulary/walk-round.ts";
import { placeHref } from "../places.ts";
import { memo } from "react";
import { Link } from "react-router";
import { AT_THE_CARBURETTOR } from "#app/vocabulary/cautions.ts";

export const CardFoot = memo(function CardFoot({ context, advice }: { context: RigContext; advice: Advice }) {
  return (
    <div className={css["card-foot"]}>
      {leansTop(advice) && (
        <Caution>
          Going leaner: approach from rich and look before the next step. Stop at any ping or specks on the
          plug.
        </Caution>
      )}
      {context.present.overridden && (
        <Caution grave>
          Walk-round failed: {checkList(context.present.overridden.checks)}. “
          {context.present.overridden.reason}”
        </Caution>
      )}
      {advice.leanings.length > 0 && (
        <Caution plain>
          Depends most on values not measured yet:{" "}
          {advice.leanings
            .map(
              ({ path, zone, effect }) =>
                `${fieldWords(path)} (${zoneInSentence(zone)} ± ${sizeWords(100 * Math.abs(effect))})`,
            )
            .join(", ")}
          . <Link to={placeHref(context.header.id, "measure")}>Measure it</Link>.
        </Caution>
      )}
      <Caution plain>{AT_THE_CARBURETTOR}</Caution>
      <div className="row">
        <CardOut context={context} advice={advice} />
        <PutBack context={context} />
      </div>
    </div>
  );
});

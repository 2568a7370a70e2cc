import css from "./frame.module.css";
import { memo, useState } from "react";
import { buildOfCarburettor } from "#core/rig/carburettors.ts";
import type { Advice } from "#core/advice/card/advise.ts";
import { WhichCarburettor } from "./card/WhichCarburettor.tsx";
import { Card } from "./card/Card.tsx";
import { MiniStrip, Strip, type LookFace } from "./strip/Strip.tsx";
import { PART_NAMES, partValue, ZONE_NAMES } from "#app/vocabulary/parts.ts";
import { zoneState } from "./strip/zone-state.ts";
import type { RigContext } from "./use-rig.ts";
import { Pulled } from "./Pulled.tsx";
import { CardFoot } from "./card/CardFoot.tsx";
import { HeldCard } from "./HeldCard.tsx";

interface RibbonProps {
  readonly advice: Advice;
  readonly looks: readonly LookFace[];
  readonly zoneHref: (zone: string) => string;
  /** beside a form: the line alone */
  readonly narrow: boolean;
}

/** The strip on a phone: a ribbon that opens on tap. */
export const Ribbon = memo(function Ribbon({ advice, looks, zoneHref, narrow }: RibbonProps) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button
        type="button"
        className={css["ribbon"]}
        onClick={() => setOpen(true)}
        aria-label="Open the strip"
      >
        <MiniStrip advice={advice} height={narrow ? 30 : 46} />
        <span className={css["ribbon-heads"]}>
          {advice.zones.map((zone) => {
            const state = zoneState(zone);
            return (
              <span key={zone.zone}>
                <b>{ZONE_NAMES[zone.zone]}</b>{" "}
                <span className={state.calm ? undefined : css["off"]}>{state.text}</span>
              </span>
            );
          })}
        </span>
      </button>
      {open && (
        <Pulled from="top" label="The strip" onClose={() => setOpen(false)}>
          <div style={{ overflowX: "auto", padding: "12px 12px 16px" }}>
            <div style={{ minWidth: 720 }} onClick={() => setOpen(false)}>
              <Strip advice={advice} looks={looks} working={false} zoneHref={zoneHref} />
            </div>
          </div>
        </Pulled>
      )}
    </>
  );
});

/** The card on a phone: what to fit in one line on the handle, what moves marked; all of it in the drawer. */
export const PhoneCard = memo(function PhoneCard({
  context,
  advice,
}: {
  context: RigContext;
  advice: Advice;
}) {
  const [open, setOpen] = useState(false);
  const held = context.present.held.length > 0;
  return (
    <>
      <button
        type="button"
        className={css["drawer-handle"]}
        onClick={() => setOpen(true)}
        aria-label="Open the card"
      >
        {held && <strong className={css["held-words"]}>Held back: the walk-round says stop</strong>}
        {!held &&
          advice.card.rows
            .filter(({ part }) => part !== "shimMm")
            .map(({ part, from, to }) => (
              <span key={part} className={from === to ? undefined : css["moves"]}>
                <span className={css["part"]}>{PART_NAMES[part]}</span>
                <strong>{partValue(part, to)}</strong>
              </span>
            ))}
      </button>
      {open && (
        <Pulled from="bottom" label="The card" onClose={() => setOpen(false)}>
          <div className={css["card-head"]}>
            <h2 className="label">The card</h2>
            <span className="quiet">{held ? "held back" : "fitted → to fit"}</span>
          </div>
          {held ? (
            <HeldCard context={context} />
          ) : (
            <>
              <WhichCarburettor context={context} advice={advice} />
              <Card advice={advice} build={buildOfCarburettor(context.build, context.carburettor)} />
              <CardFoot context={context} advice={advice} />
            </>
          )}
        </Pulled>
      )}
    </>
  );
});

/** A step up or down for a glove: once a tap, again and again while it is held. */
import IconButton from "@mui/material/IconButton";
import Add from "@mui/icons-material/Add";
import Remove from "@mui/icons-material/Remove";
import { useEffect, useEffectEvent, useRef, useState } from "react";

/** A hand that only taps is off again by then. */
export const HELD_MS = 450;
export const REPEAT_MS = 140;

interface StepButtonProps {
  readonly label: string;
  readonly up: boolean;
  readonly disabled?: boolean;
  readonly onStep: () => void;
}

export function StepButton({ label, up, disabled = false, onStep }: StepButtonProps) {
  const [held, setHeld] = useState(false);
  const repeated = useRef(false);
  const step = useEffectEvent(() => {
    if (!disabled) onStep();
  });
  useEffect(() => {
    if (!held) return;
    const letGo = () => setHeld(false);
    // At the end of its range the button hears nothing any more: the page does.
    window.addEventListener("pointerup", letGo);
    window.addEventListener("pointercancel", letGo);
    const again = () => {
      repeated.current = true;
      step();
    };
    let repeat: ReturnType<typeof setInterval> | undefined;
    const first = setTimeout(() => {
      again();
      repeat = setInterval(again, REPEAT_MS);
    }, HELD_MS);
    return () => {
      clearTimeout(first);
      clearInterval(repeat);
      window.removeEventListener("pointerup", letGo);
      window.removeEventListener("pointercancel", letGo);
    };
  }, [held]);
  const Icon = up ? Add : Remove;
  return (
    <IconButton
      className="step-button"
      aria-label={label}
      disabled={disabled}
      onPointerDown={() => {
        repeated.current = false;
        setHeld(true);
      }}
      onPointerLeave={() => setHeld(false)}
      onContextMenu={(event) => event.preventDefault()}
      // A tap, or Enter: what was held has stepped already.
      onClick={({ detail }) => {
        if (!repeated.current || detail === 0) onStep();
      }}
    >
      <Icon />
    </IconButton>
  );
}

/** The fields of the rig editor: each knows its place in the build, its label and its unit. */
import css from "../rig.module.css";
import Button from "@mui/material/Button";
import type { ReactNode } from "react";
import { useFormContext, useWatch, type FieldPath } from "react-hook-form";
import { useFolded } from "./folded.ts";
import type { BuildTexts } from "./texts.ts";
import { FormField } from "#app/ui/form-fields.tsx";

type Name = FieldPath<BuildTexts>;

/** Where a carburettor's fields stand: the first one's, or those of another that is its own. */
export type CarburettorAt = "carburettor" | `others.${number}.carburettor`;
export type SettingAt = "baseline.setting" | `others.${number}.setting`;

const words = (text: string): string[] => text.split(" ").filter((word) => word !== "");

/** A needle's points are assumed or measured as one. */
const assumedName = (name: string): string => name.replace(/(needle\.profile)\..*$/, "$1");

/** Whether a field still holds a usual value that nobody has confirmed, and how to confirm some. */
export function useAssumed() {
  const { control, setValue, getValues } = useFormContext<BuildTexts>();
  const assumed = words(useWatch({ control, name: "assumed" }));
  const confirm = (paths: readonly string[]) => {
    const left = words(getValues("assumed")).filter((path) => !paths.includes(path));
    setValue("assumed", left.join(" "));
  };
  return { assumed, isAssumed: (name: string) => assumed.includes(assumedName(name)), confirm };
}

interface TextProps {
  readonly name: Name;
  readonly label: string;
  readonly unit?: string;
  readonly hint?: string;
  /** words rather than a number */
  readonly wordy?: boolean;
}

/** A measure of the rig: as long as it is assumed it says so, and typing over it makes it a measured one. */
export function Measure({ name, hint, wordy, ...rest }: TextProps) {
  const { isAssumed, confirm } = useAssumed();
  const assumed = isAssumed(name);
  return (
    <FormField<BuildTexts>
      {...rest}
      name={name}
      keys={wordy ? "text" : "decimal"}
      hint={assumed ? "Assumed: not measured yet." : hint}
      className={assumed ? css["assumed"] : ""}
      onTyped={() => assumed && confirm([assumedName(name)])}
    />
  );
}

interface SectionProps {
  readonly title: string;
  readonly note?: string;
  /** the beginnings of the paths that stand in this section */
  readonly holds?: readonly string[];
  readonly children: ReactNode;
}

/** Folded until it is wanted: what it is, and how much of it nobody has measured yet. */
export function Section({ title, note, holds = [], children }: SectionProps) {
  const { assumed, confirm } = useAssumed();
  const { isOpen, fold } = useFolded();
  const here = assumed.filter((path) => holds.some((start) => path.startsWith(start)));
  return (
    <details
      className={css["fold"]}
      data-section={title}
      open={isOpen(title)}
      onToggle={({ currentTarget }) => fold(title, !currentTarget.open)}
    >
      <summary>
        <h2>{title}</h2>
        {here.length > 0 && <span className={css["to-measure"]}>{here.length} assumed</span>}
      </summary>
      <div className="stack">
        {note !== undefined && <p className="quiet flush">{note}</p>}
        {here.length > 0 && (
          <Button variant="outlined" className="start" onClick={() => confirm(here)}>
            {here.length} assumed: these are right
          </Button>
        )}
        <div className="grid">{children}</div>
      </div>
    </details>
  );
}

/** A place to paste a table into, folded until it is wanted. */
import Button from "@mui/material/Button";
import { useState, type ReactNode } from "react";
import { TypedField } from "./TypedField.tsx";

interface PasteBoxProps {
  readonly summary: string;
  readonly label: string;
  readonly hint: string;
  /** the most signs it takes */
  readonly most: number;
  /** the button's words */
  readonly take: string;
  readonly problem?: string | undefined;
  /** @returns whether it could be read: what cannot stays to be mended */
  readonly onTake: (text: string) => boolean;
  readonly children?: ReactNode;
}

export function PasteBox({ summary, label, hint, most, take, problem, onTake, children }: PasteBoxProps) {
  const [text, setText] = useState("");
  return (
    <details className="protocol">
      <summary>{summary}</summary>
      <div className="stack tight">
        <TypedField
          label={label}
          multiline
          minRows={4}
          maxRows={10}
          value={text}
          onChange={({ target }) => setText(target.value)}
          problem={problem}
          hint={hint}
          most={most}
        />
        <Button
          variant="outlined"
          className="start"
          disabled={text.trim() === ""}
          onClick={() => onTake(text) && setText("")}
        >
          {take}
        </Button>
        {children}
      </div>
    </details>
  );
}

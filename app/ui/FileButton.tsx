import Button from "@mui/material/Button";
import { useRef } from "react";

interface FileButtonProps {
  readonly words: string;
  readonly accept: string;
  readonly label: string;
  readonly multiple?: boolean;
  readonly disabled?: boolean;
  /** the one thing to do on its screen */
  readonly contained?: boolean;
  readonly onFiles: (files: readonly File[]) => void;
}

/** A button that chooses files; the same file can be chosen again. */
export function FileButton({
  words,
  accept,
  label,
  multiple = false,
  disabled = false,
  contained = false,
  onFiles,
}: FileButtonProps) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button
        variant={contained ? "contained" : "outlined"}
        disabled={disabled}
        onClick={() => input.current?.click()}
      >
        {words}
      </Button>
      <input
        ref={input}
        className="visually-hidden"
        type="file"
        tabIndex={-1}
        accept={accept}
        multiple={multiple}
        aria-label={label}
        onChange={(event) => {
          const chosen = [...(event.target.files ?? [])];
          event.target.value = "";
          if (chosen.length > 0) onFiles(chosen);
        }}
      />
    </>
  );
}

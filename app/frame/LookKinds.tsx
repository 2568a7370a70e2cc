import { useNavigate } from "react-router";
import { Choice } from "#app/ui/Choice.tsx";
import { placeHref, PLACES } from "./places.ts";
import { useRig } from "./use-rig.ts";

const KINDS = PLACES.find(({ name }) => name === "Look")?.screens ?? [];
const kindOf = (path: string): string => path.replace("look?how=", "");

/** All kinds of look, on each of their screens: by eye and ear, by a meter, by the clock, from a file. */
export function LookKinds({ kind, onKind }: { kind: string; onKind?: (how: string) => void }) {
  const { header } = useRig();
  const navigate = useNavigate();
  return (
    <Choice
      label="Read from"
      value={kind}
      options={KINDS.map(({ name, path }) => ({ value: kindOf(path), text: name }))}
      onChange={(value) => {
        const path = KINDS.find((one) => kindOf(one.path) === value)?.path;
        if (onKind && path?.startsWith("look")) onKind(value);
        else if (path !== undefined) void navigate(placeHref(header.id, path));
      }}
    />
  );
}

import { Caution } from "./Caution.tsx";

/** What an action answered when it could not save; the form above keeps what was typed. */
export function Problem({ message }: { message: string | undefined }) {
  return message === undefined ? null : <Caution grave>{message}</Caution>;
}

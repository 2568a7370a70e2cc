/** Known faults of the packages as a registry reports them, less the allowed ones. */
import * as z from "zod/mini";

export const Allowed = z.array(
  z.strictObject({
    /** the advisory's address or number */
    id: z.string().check(z.minLength(1)),
    /** why it cannot hurt here */
    why: z.string().check(z.minLength(10)),
    /** to be looked at again after this day */
    until: z.iso.date(),
  }),
);
export type Allowed = z.infer<typeof Allowed>;

const Advisory = z.object({ url: z.string(), title: z.string(), severity: z.string() });
const Report = z.object({
  vulnerabilities: z.record(
    z.string(),
    // A package is at fault itself, or by the name of another one that is.
    z.object({ via: z.array(z.union([z.string(), Advisory])) }),
  ),
});

export interface Found {
  readonly name: string;
  readonly id: string;
  readonly title: string;
  readonly severity: string;
}

/**
 * @param report - what `npm audit --json` printed
 * @param today - `2026-05-23`
 * @returns each advisory once that nobody has allowed, or has allowed until a day that is over
 * @throws {z.core.$ZodError} where it is no such report: the registry could not be asked
 */
export function openAdvisories(report: unknown, allowed: Allowed, today: string): Found[] {
  const found = new Map<string, Found>();
  for (const [name, { via }] of Object.entries(Report.parse(report).vulnerabilities))
    for (const one of via)
      if (typeof one !== "string")
        found.set(one.url, { name, id: one.url, title: one.title, severity: one.severity });
  const excused = new Set(allowed.flatMap(({ id, until }) => (until >= today ? [id] : [])));
  return [...found.values()].filter(({ id }) => !excused.has(id));
}

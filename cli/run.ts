/** The commands of the terminal, and how each ends: JSON in SI on stdout, or one line on stderr and exit 2. */
import { airCommand } from "./air.ts";
import { adviseCommand } from "./advise.ts";
import { BadInput } from "./input.ts";
import { shiftCommand } from "./shift.ts";

const COMMANDS: Readonly<Record<string, (args: string[]) => unknown>> = {
  air: airCommand,
  shift: shiftCommand,
  advise: adviseCommand,
};

/** @returns what to print and the exit code; pure but for the files a command reads */
export function run(argv: readonly string[]): { stdout?: string; stderr?: string; exitCode: number } {
  const [name = "", ...args] = argv;
  const command = Object.hasOwn(COMMANDS, name) ? COMMANDS[name] : undefined;
  try {
    if (!command)
      throw new BadInput(`command must be one of ${Object.keys(COMMANDS).join(", ")}, got "${name}"`);
    return { stdout: JSON.stringify(command(args), null, 2), exitCode: 0 };
  } catch (error) {
    if (error instanceof BadInput || error instanceof RangeError)
      return { stderr: `tamis: ${error.message.replaceAll("\n", " ")}`, exitCode: 2 };
    throw error;
  }
}

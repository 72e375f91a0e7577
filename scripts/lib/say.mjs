/** A failure that the person at the keyboard can mend: printed as it is, without a stack. */
export class Stop extends Error {}

export function say(line) {
  process.stdout.write(`${line}\n`);
}

/** Runs a command's main function; a Stop is said plainly, anything else with its stack. */
export async function main(work) {
  try {
    await work();
  } catch (error) {
    process.stderr.write(
      `\n${error instanceof Stop ? error.message : error?.code === 'ENOSPC' ? 'The disk is full. Free some space and start again; nothing was half-made.' : (error?.stack ?? error)}\n`,
    );
    process.exitCode = 1;
  }
}

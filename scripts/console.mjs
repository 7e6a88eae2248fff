/** Progress of a command, step by step with times, and how it ends when it cannot go on. */

const startedMs = Date.now();
const since = (fromMs) => `${((Date.now() - fromMs) / 1000).toFixed(1)} s`;

/** Something the person at the keyboard can understand and act on; printed as one sentence, without a stack. */
export class Stop extends Error {}

/** Runs one named step and prints how long it took. */
export async function step(name, work) {
  const fromMs = Date.now();
  process.stdout.write(`· ${name} … `);
  try {
    const note = await work();
    process.stdout.write(`${typeof note === 'string' ? `${note}, ` : ''}${since(fromMs)}\n`);
  } catch (error) {
    process.stdout.write('stopped\n');
    throw error;
  }
}

/** Total time so far, for the closing line. */
export const elapsed = () => since(startedMs);

/** Runs a command's main function; a {@link Stop} ends it with its sentence and exit code 1. */
export async function main(run) {
  try {
    await run();
  } catch (error) {
    if (error instanceof Stop) process.stderr.write(`\n${error.message}\n`);
    else process.stderr.write(`\nUnexpected: ${error?.stack ?? error}\n`);
    process.exit(1);
  }
}

import { readFileSync } from 'node:fs';
import { calculate } from '#contract/calc/calc.ts';
import { CALC_TOPICS, type CalcTopic } from '#contract/calc/calc-input.ts';

/** `npm run -s wm -- calc TOPIC < input.json`: calculations on the command line. See docs/formats/cli.md. */

const USAGE = `Usage: npm run -s wm -- calc TOPIC < array.json
Topics: ${CALC_TOPICS.join(', ')}
Fields are in docs/formats/cli.md.
`;

function stop(message: string): never {
  process.stderr.write(`${message}\n`);
  process.exit(1);
}

const isTopic = (text: string | undefined): text is CalcTopic => CALC_TOPICS.includes(text as CalcTopic);

function calc(topic: string | undefined): void {
  if (!isTopic(topic)) stop(`${topic === undefined ? 'No topic given.' : `No topic “${topic}”.`}\n${USAGE}`);
  const text = readFileSync(0, 'utf8');
  let inputs: unknown;
  try {
    inputs = JSON.parse(text);
  } catch (error) {
    stop(`Standard input is not JSON: ${error instanceof Error ? error.message : error}`);
  }
  if (!Array.isArray(inputs)) stop('Standard input must be a JSON array, one object per calculation.');
  const answers = inputs.map((input: unknown) => {
    const answer = calculate(topic, input);
    return answer.ok ? answer.value : { error: { field: answer.error.field, reason: answer.error.reason } };
  });
  process.stdout.write(`${JSON.stringify(answers)}\n`);
}

const [, , command, argument] = process.argv;
if (command === 'calc') calc(argument);
else stop(command === undefined ? USAGE : `No command “${command}”.\n${USAGE}`);

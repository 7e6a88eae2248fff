import { readFileSync } from 'node:fs';
import { basename } from 'node:path';
import { calculate } from '#contract/calc/calc.ts';
import { CALC_TOPICS, type CalcTopic } from '#contract/calc/calc-input.ts';
import { readKit } from '#contract/read-kit.ts';
import { sheetFaultText, sheetText } from '#contract/sheet-text.ts';
import { judgeTraceFile } from '#contract/trace.ts';
import { assumptionText } from '#contract/wording/fact-text.ts';
import { answersText, findingText, placeText } from '#contract/wording/finding-text.ts';
import { minutesText } from '#contract/wording/minutes-text.ts';
import { numberOf } from '#contract/wording/number-of.ts';
import { deadEndFault, deadEndsTold } from '#contract/wording/rehearsal-text.ts';
import { evidenceText } from '#contract/wording/trace-text.ts';
import { draftKit } from '#core/kit/draft/draft-kit.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { lintKit } from '#core/kit/lint/lint.ts';
import { rehearseAll } from '#core/rehearse/rehearse-all.ts';
import { readSheet } from '#core/sheet/read-sheet.ts';

/** `npm run -s wm -- …`: calculations, sheets and kit files on the command line. See docs/formats/cli.md. */
import { main as verify } from '../verify/verify.mjs';

const USAGE = `Usage: npm run -s wm -- calc TOPIC < array.json
       npm run -s wm -- read FILE      facts of an instruction sheet (.txt, .md, .pdf with text), as JSON
       npm run -s wm -- lint FILE      findings of a kit file; exit code 1 when there are errors
       npm run -s wm -- rehearse FILE  plays a kit file on every vehicle; exit code 1 where it ends in a dead end
       npm run -s wm -- trace FILE     what kind of pull each trace shows, one JSON a line; exit code 1 when a line cannot be read
       npm run -s wm -- verify FILE…   whether exported records are what was recorded; exit code 1 when one is not
                                       --key KEY  the shop's public key, as its records print it
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

function bytesOf(file: string | undefined): Uint8Array {
  if (file === undefined) stop(`No file given.\n${USAGE}`);
  try {
    return readFileSync(file);
  } catch (error) {
    stop(`Cannot read ${file}: ${error instanceof Error ? error.message : error}`);
  }
}

/** Facts of a sheet, what it was taken to say and what stayed unread, as one JSON object; ends with 1 where no kit can be made of it. */
async function read(file: string | undefined): Promise<void> {
  const text = await sheetText(bytesOf(file), file ?? '');
  if (!text.ok) stop(sheetFaultText(text.error));
  const reading = readSheet(text.value);
  const { kit, assumed } = draftKit(reading, reading.facts, {
    id: 'draft',
    title: basename(file ?? 'sheet'),
    maker: 'not read',
  });
  // What has neither a joint nor a piece nor an act that is known for one is no instruction: a draft of it would look like one.
  if (reading.facts.length === 0 || kit.steps.length + kit.stations.length + kit.items.length === 0)
    stop(`Nothing in ${file} reads like an instruction sheet: no torque, no piece and no act was found.`);
  const checked = readKit(JSON.stringify(kit));
  if (!checked.ok)
    stop(
      `No kit can be made of ${file}:\n${checked.error.faults.map(({ path, message }) => `${path || 'file'}: ${message}`).join('\n')}`,
    );
  const answer = {
    facts: reading.facts.map(({ value, step, ...place }) => ({ ...place, step: step + 1, ...value })),
    steps: reading.steps,
    unread: reading.unread.map((index) => reading.steps[index]?.text),
    assumed: assumed.map(assumptionText),
    kit,
  };
  process.stdout.write(`${JSON.stringify(answer)}\n`);
}

/** Findings as lines for a person; `--json` for a program. */
function lint(file: string | undefined, json: boolean): void {
  const kit = kitIn(file, json);
  const findings = lintKit(kit).map((finding) => ({ ...finding, ...findingText(finding) }));
  if (json) process.stdout.write(`${JSON.stringify({ findings })}\n`);
  else {
    for (const finding of findings) {
      const shown = finding.answers ? ` (${answersText(kit, finding.answers)})` : '';
      process.stdout.write(
        `${finding.severity.padEnd(8)} rule ${finding.rule}  ${placeText(finding)}${shown}\n         ${finding.title}. ${finding.why}\n         ${finding.clears}  [${finding.path}]\n`,
      );
    }
    const count = (severity: string) => findings.filter((finding) => finding.severity === severity).length;
    process.stdout.write(`${count('error')} errors, ${count('warning')} warnings, ${count('note')} notes\n`);
  }
  if (findings.some((finding) => finding.severity === 'error')) process.exit(1);
}

/** A kit file, or its faults and the end. */
function kitIn(file: string | undefined, json: boolean): KitDocument {
  const kit = readKit(new TextDecoder().decode(bytesOf(file)));
  if (kit.ok) return kit.value;
  if (json) process.stdout.write(`${JSON.stringify({ faults: kit.error.faults })}\n`);
  else for (const { path, message } of kit.error.faults) process.stdout.write(`error  ${path || 'file'}: ${message}\n`);
  process.exit(1);
}

/** A dry run on every vehicle: its dead ends, what is left over, how long it takes; `--json` for a program. */
function rehearse(file: string | undefined, json: boolean): void {
  const kit = kitIn(file, json);
  const verdict = rehearseAll(kit);
  const deadEnds = deadEndsTold(kit, verdict);
  if (json) process.stdout.write(`${JSON.stringify({ ...verdict, deadEnds })}\n`);
  else {
    for (const end of deadEnds) process.stdout.write(`${deadEndFault(kit, end).message}\n`);
    for (const { item, left, stated } of verdict.leftovers) {
      const line = kit.items.find(({ id }) => id === item);
      process.stdout.write(
        `left over  ${line?.line} ${line?.name}: ${left}, ${stated === undefined ? 'not stated' : `stated ${stated}`}\n`,
      );
    }
    const { played, of, shortest, longest } = verdict;
    const time = [shortest, longest].flatMap((one) => (one ? minutesText(one.workMinutes + one.waitMinutes) : []));
    process.stdout.write(
      `${played} of ${of ?? 'many'} combinations played, ${numberOf(deadEnds.length, 'dead end')}${time.length > 0 ? `, ${[...new Set(time)].join(' to ')}` : ''}\n`,
    );
  }
  if (deadEnds.length > 0) process.exit(1);
}

/** One answer for each line of a file of traces, in its order; a line that cannot be read gives its fault in its place. */
function trace(file: string | undefined): void {
  const lines = new TextDecoder().decode(bytesOf(file)).split(/\r?\n/);
  let wrong = 0;
  for (const [at, line] of lines.entries()) {
    if (line.trim() === '') continue;
    const answer = traceLine(line);
    if ('error' in answer) wrong += 1;
    process.stdout.write(
      `${JSON.stringify('error' in answer ? { error: { line: at + 1, ...answer.error } } : answer)}\n`,
    );
  }
  if (wrong > 0) process.exitCode = 1;
}

function traceLine(line: string) {
  let input: unknown;
  try {
    input = JSON.parse(line);
  } catch (error) {
    return { error: { field: 'line', reason: `not JSON: ${error instanceof Error ? error.message : error}` } };
  }
  const verdict = judgeTraceFile(input);
  if (!verdict.ok) return { error: verdict.error };
  const { kind, confidence, evidence, alsoPossible } = verdict.value;
  return {
    kind,
    confidence: Number(confidence.toFixed(3)),
    evidence: evidence.map((entry) => evidenceText(entry)),
    alsoPossible,
  };
}

const [, , command, ...rest] = process.argv;
const argument = rest.find((word) => !word.startsWith('--'));
if (command === 'calc') calc(argument);
else if (command === 'read') await read(argument);
else if (command === 'lint') lint(argument, rest.includes('--json'));
else if (command === 'rehearse') rehearse(argument, rest.includes('--json'));
else if (command === 'trace') trace(argument);
else if (command === 'verify') process.exitCode = verify(rest, (text) => process.stdout.write(text));
else stop(command === undefined ? USAGE : `No command “${command}”.\n${USAGE}`);

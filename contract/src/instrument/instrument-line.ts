import { z } from 'zod';

/** What an instrument says on its line: docs/formats/instrument-line.md. Torque in N·m, angle in degrees, time in ms. */
export type InstrumentSaid =
  | { say: 'hello'; serial: string; battery?: number; zeroNm?: number }
  | { say: 'status'; battery?: number; zeroNm?: number }
  | { say: 'sample'; ms: number; deg: number; nm: number }
  | { say: 'click'; nm: number }
  | { say: 'end' };

/** A line that could not be read, and why; the instrument goes on. */
export interface LineFault {
  say: 'fault';
  reason: 'tooLong' | 'notKnown';
  line: string;
}

/** Why nothing can be pulled with a paired instrument just now. */
export type PairFault = 'otherInstrument' | 'batteryFlat' | 'zeroOff' | 'lineLost' | 'lineUnread';

/** How an instrument writes: told by what it says first. */
export type LineFormat = 'ndjson' | 'csv';

/** Longer lines are none of ours. */
const LONGEST_LINE = 500;
/** Of a line that could not be read, so much is shown. */
const SHOWN = 80;

const Battery = z.number().min(0).max(1).optional();
const Zero = z.number().min(-1000).max(1000).optional();
const SaidSchema = z.discriminatedUnion('say', [
  z.strictObject({ say: z.literal('hello'), serial: z.string().trim().min(1).max(60), battery: Battery, zeroNm: Zero }),
  z.strictObject({ say: z.literal('status'), battery: Battery, zeroNm: Zero }),
  z.strictObject({ say: z.literal('sample'), ms: z.number().nonnegative(), deg: z.number(), nm: z.number() }),
  z.strictObject({ say: z.literal('click'), nm: z.number() }),
  z.strictObject({ say: z.literal('end') }),
]);

/** A cell as a figure; an empty one says nothing, one that is no figure spoils the line. */
const figure = (cell: string | undefined): number | undefined =>
  cell === undefined || cell.trim() === '' ? undefined : Number(cell);
const share = (cell: string | undefined): number | undefined => {
  const percent = figure(cell);
  return percent === undefined ? undefined : percent / 100;
};

/** The same as one letter and its cells: `S,120,14.5,31.2`. */
function fromCells(line: string): unknown {
  const [letter, ...cells] = line.split(',');
  switch (letter?.trim()) {
    case 'H':
      return { say: 'hello', serial: cells[0] ?? '', battery: share(cells[1]), zeroNm: figure(cells[2]) };
    case 'B':
      return { say: 'status', battery: share(cells[0]), zeroNm: figure(cells[1]) };
    case 'S':
      return { say: 'sample', ms: figure(cells[0]), deg: figure(cells[1]), nm: figure(cells[2]) };
    case 'C':
      return { say: 'click', nm: figure(cells[0]) };
    case 'E':
      return { say: 'end' };
    default:
      return undefined;
  }
}

/** One whole line; undefined where it is empty. */
export function readInstrumentLine(line: string): InstrumentSaid | LineFault | undefined {
  const text = line.trim();
  if (text === '') return undefined;
  let said: unknown;
  if (text.startsWith('{')) {
    try {
      said = JSON.parse(text);
    } catch {
      // Half a line, or noise: said by the fault below.
      said = undefined;
    }
  } else said = fromCells(text);
  const read = SaidSchema.safeParse(said);
  return read.success ? read.data : { say: 'fault', reason: 'notKnown', line: text.slice(0, SHOWN) };
}

/**
 * Puts lines together from whatever pieces a cable or the air gives: half lines, several at once, noise between them. What is
 * no line is told and skipped; nothing that comes after it is lost.
 */
export class LineReader {
  private rest = '';
  /** In the middle of a line that is too long: skipped to its end. */
  private skipping = false;
  format: LineFormat = 'csv';

  feed(chunk: string): Array<InstrumentSaid | LineFault> {
    const heard: Array<InstrumentSaid | LineFault> = [];
    const lines = (this.rest + chunk).split(/\r\n|\n|\r/);
    this.rest = lines.pop() ?? '';
    for (const line of lines) {
      if (this.skipping) {
        this.skipping = false;
        continue;
      }
      const said = line.length > LONGEST_LINE ? tooLong(line) : readInstrumentLine(line);
      if (!said) continue;
      if (said.say === 'hello') this.format = line.trim().startsWith('{') ? 'ndjson' : 'csv';
      heard.push(said);
    }
    if (this.rest.length > LONGEST_LINE) {
      if (!this.skipping) heard.push(tooLong(this.rest));
      this.skipping = true;
      this.rest = '';
    }
    return heard;
  }
}

const tooLong = (line: string): LineFault => ({ say: 'fault', reason: 'tooLong', line: line.slice(0, SHOWN) });

/** What is told to an instrument that takes it: what to click at, and the window. */
export function targetLine(format: LineFormat, targetNm: number, minNm: number, maxNm: number): string {
  const [target, least, most] = [targetNm, minNm, maxNm].map((nm) => Number(nm.toFixed(2)));
  return format === 'ndjson'
    ? `${JSON.stringify({ say: 'target', targetNm: target, minNm: least, maxNm: most })}\n`
    : `T,${target},${least},${most}\n`;
}

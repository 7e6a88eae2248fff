import Papa from 'papaparse';
import { z } from 'zod';
import { fail, ok, type Result } from '#core/result.ts';
import { say } from './wording/say.ts';

export const ALIGNMENT_FORMAT = 'wrenchman-alignment';

const Degrees = z.number().min(-30).max(30);
const WheelSchema = z.strictObject({
  /** As places are called in kits: `front left`. */
  wheel: z.string().trim().min(1).max(80),
  camberDeg: Degrees.optional(),
  /** Of this wheel alone, in above 0. */
  toeDeg: Degrees.optional(),
  casterDeg: Degrees.optional(),
  rideHeightMm: z.number().min(0).max(3000).optional(),
});
export type WheelReading = z.output<typeof WheelSchema>;

/** What an alignment rack reads of a vehicle. The format is open: docs/formats/alignment.md. */
export const AlignmentSchema = z.strictObject({
  format: z.literal(ALIGNMENT_FORMAT),
  version: z.literal(1),
  atMs: z.number().int().min(0),
  wheels: z.array(WheelSchema).min(1).max(12),
});
export type Alignment = z.output<typeof AlignmentSchema>;

/** What the stand-in is told of the vehicle on it, since it has no cameras. */
export const RackAskSchema = z.strictObject({
  vehicle: z.string().min(1).max(64),
  wheels: z
    .array(
      z.strictObject({
        wheel: z.string().trim().min(1).max(80),
        /** Where its eccentric stands, and what it does; without one the wheel stands as it stands. */
        lobeDeg: z.number().min(-90).max(90).optional(),
        authorityDeg: z.number().positive().max(6).optional(),
        lobeOut: z.enum(['topOut', 'topIn']).optional(),
      }),
    )
    .min(1)
    .max(12),
});
export type RackAsk = z.output<typeof RackAskSchema>;

/** What is wrong with a file of readings: the line or field, and what. */
export type AlignmentFault = { code: 'alignmentUnreadable'; where: string; what: string };

const COLUMNS = ['camberDeg', 'toeDeg', 'casterDeg', 'rideHeightMm'] as const;
/** Larger than any rack writes, characters. */
const LARGEST = 200_000;

const unreadable = (where: string, what: string) => fail({ code: 'alignmentUnreadable' as const, where, what });

/** Reads a rack's file: JSON of the format, or CSV with a column `wheel` and any of the figures. */
export function readAlignment(text: string, nowMs: number): Result<Alignment, AlignmentFault> {
  const plain = text.replace(/^\uFEFF/, '').trim();
  if (plain === '') return unreadable('file', say('is empty'));
  if (plain.length > LARGEST) return unreadable('file', say('is larger than any rack writes'));
  return plain.startsWith('{') ? fromJson(plain) : fromCsv(plain, nowMs);
}

function fromJson(text: string): Result<Alignment, AlignmentFault> {
  let given: unknown;
  try {
    given = JSON.parse(text);
  } catch (error) {
    return unreadable(
      'file',
      say('is no JSON: {which}', { which: error instanceof Error ? error.message : String(error) }),
    );
  }
  return checked(given);
}

function fromCsv(text: string, nowMs: number): Result<Alignment, AlignmentFault> {
  const { data: rows } = Papa.parse<string[]>(text, { skipEmptyLines: true, transform: (cell) => cell.trim() });
  const [head = [], ...body] = rows;
  if (!head.includes('wheel')) return unreadable(say('line 1'), say('has no column wheel'));
  const foreign = head.find((name) => name !== 'wheel' && !(COLUMNS as readonly string[]).includes(name));
  if (foreign !== undefined)
    return unreadable(
      say('line 1'),
      say('has a column {foreign}; known: wheel, {columns}', { foreign, columns: COLUMNS.join(', ') }),
    );
  const wheels: Array<Record<string, unknown>> = [];
  for (const [at, row] of body.entries()) {
    const wheel: Record<string, unknown> = {};
    for (const [column, name] of head.entries()) {
      const cell = row[column] ?? '';
      if (name === 'wheel') wheel[name] = cell;
      else if (cell !== '') {
        const figure = Number(cell.replace(',', '.'));
        if (!Number.isFinite(figure))
          return unreadable(say('line {at}, {name}', { at: at + 2, name }), say('“{cell}” is no number', { cell }));
        wheel[name] = figure;
      }
    }
    wheels.push(wheel);
  }
  return checked({ format: ALIGNMENT_FORMAT, version: 1, atMs: nowMs, wheels });
}

function checked(given: unknown): Result<Alignment, AlignmentFault> {
  const read = AlignmentSchema.safeParse(given);
  if (read.success) return ok(read.data);
  const [issue] = read.error.issues;
  return unreadable(issue?.path.join('.') || 'file', issue?.message ?? say('cannot be read'));
}

export type AlignmentFigure = (typeof COLUMNS)[number];

/** What a rack read of one figure at a place, by the words of its name; nothing where it read no such wheel. */
export function readingAt({ wheels }: Alignment, place: string, figure: AlignmentFigure): number | undefined {
  const words = (name: string) =>
    name
      .toLowerCase()
      .split(/[^a-z]+/)
      .filter(Boolean)
      .sort()
      .join(' ');
  const named = wheels.find(({ wheel }) => words(wheel) === words(place));
  return named?.[figure];
}

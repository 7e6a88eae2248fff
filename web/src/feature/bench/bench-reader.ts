import { CalcRefusal, need, readFace, readPressed, readStrength, readThread } from '#contract/calc/joint-input.ts';
import { parseErrorText } from '#contract/wording/input-fault-text.ts';
import { say } from '#contract/wording/say.ts';
import { boltStrength, classesFor } from '#core/fastener/property-class.ts';
import type { Thread } from '#core/fastener/thread.ts';
import { parsePrinted } from '#core/quantity/parse-printed.ts';
import { dimensionOf, toBase } from '#core/quantity/unit.ts';
import { unreachable } from '#core/result.ts';
import { type Field, type Values, valueAt } from './bench-field.ts';
import type { Figures } from './show-figure.ts';

/** Reads a tool's fields; anything that cannot be read stops the tool with the field's name and the reason. */
export class BenchReader {
  constructor(
    private readonly fields: readonly Field[],
    private readonly values: Values,
    /** How figures are shown in this shop. */
    readonly show: Figures,
  ) {}

  text(key: string): string {
    return valueAt(this.fields, this.values, key);
  }

  choice<Value extends string>(key: string): Value {
    return this.text(key) as Value;
  }

  yes(key: string): boolean {
    return this.text(key) === 'yes';
  }

  /** A number in the base unit of the field; typed bare it is in the field's unit, or with any unit of its kind. */
  number(key: string, min: number, max: number): number {
    const value = this.optional(key, min, max);
    if (value === undefined) {
      const field = this.fields.find((entry) => entry.key === key);
      throw new CalcRefusal({ field: key, reason: numberWanted(field) });
    }
    return value;
  }

  optional(key: string, min: number, max: number): number | undefined {
    const field = this.fields.find((entry) => entry.key === key);
    const value = field && readNumber(field, this.text(key));
    return value === undefined ? undefined : need(key, value, min, max);
  }

  thread(key = 'thread'): Thread {
    try {
      return readThread(this.text(key));
    } catch (error) {
      if (error instanceof CalcRefusal) throw new CalcRefusal({ ...error.fault, field: key });
      throw error;
    }
  }

  /** The class of a thread; a class of the other system gives way to the usual one of this system. */
  strength(thread: Thread) {
    return readStrength(classFor(thread, this.text('class')), thread);
  }

  face(thread: Thread) {
    return readFace(thread, this.faceInput());
  }

  /** What the head presses on, washer and edge of the part included. */
  pressed(thread: Thread) {
    return readPressed(thread, this.faceInput());
  }

  private faceInput() {
    const [head, washer] = [this.text('head'), this.text('washer')];
    return {
      // The usual head unless another was chosen.
      ...(head === '' ? {} : { head: head as never }),
      ...(washer === '' ? {} : { washer: washer as never }),
      holeMm: this.optional('hole', 1, 100),
      partDiameterMm: this.optional('width', 1, 2000),
    };
  }
}

/** The class to use on a thread when the chosen one belongs to the other system of threads. */
function classFor(thread: Thread, chosen: string): string {
  const strength = boltStrength(chosen, thread);
  const otherSystem =
    !strength.ok &&
    strength.error.code === 'classNotForSize' &&
    (strength.error.reason === 'metricOnly' || strength.error.reason === 'inchOnly');
  if (!otherSystem) return chosen;
  return classesFor(thread).includes('8.8') ? '8.8' : say('grade 5');
}

/** What a number field wants, with its own first value for an example. */
const numberWanted = (field: Field | undefined): string => {
  const unit = field?.kind === 'number' && field.unit ? ` in ${field.unit}` : '';
  return say('must be a number{unit}, such as {initial}', { unit, initial: field?.initial || '12.5' });
};

/** What was typed into a number field, in base units; undefined when it is empty. */
export function readNumber(field: Field, text: string): number | undefined {
  const plain = text.trim();
  if (plain === '') return undefined;
  if (field.kind !== 'number') return unreachable(field as never);
  const bare = Number(plain.replace(',', '.'));
  if (Number.isFinite(bare)) return field.unit ? toBase(bare, field.unit) : bare;
  if (!field.unit) throw new CalcRefusal({ field: field.key, reason: numberWanted(field) });
  const read = parsePrinted(plain, dimensionOf(field.unit));
  if (!read.ok) throw new CalcRefusal({ field: field.key, reason: parseErrorText(read.error) });
  return read.value.minBase;
}

/** The choices of a property class field, by what the thread beside it allows. */
export const classOptions = (values: Values, fields: readonly Field[]) => {
  try {
    return classesFor(readThread(valueAt(fields, values, 'thread'))).map((name) => ({ value: name, label: name }));
  } catch {
    // The thread field says itself what is wrong; every class stays on offer meanwhile.
    return ['8.8', '10.9', '12.9', say('grade 5'), say('grade 8'), 'A2-70'].map((name) => ({
      value: name,
      label: name,
    }));
  }
};

import type { DriveSize } from '../../fastener/drive.ts';
import { type HeadStandard, headDimension, usualHead } from '../../fastener/head-dimension.ts';
import { parseThread, type Thread } from '../../fastener/thread.ts';
import type { SheetDrive } from '../../sheet/fact.ts';
import { inchSizeIn } from '../../sheet/spoken-thread.ts';
import type { Item } from '../kit-document.ts';
import { type Drafting, isKind, type Of } from './drafting.ts';
import type { JointSentences } from './joint-sentences.ts';

/** The standards of heads that are no hexagon. */
const STANDARD_OF_HEAD: Partial<Record<NonNullable<Item['head']>, HeadStandard>> = {
  button: 'ISO 7380',
  socketCap: 'ISO 4762',
  countersunk: 'ISO 10642',
};

/** The drive a thread's usual head has, or the head a piece is called by, where the sheet names none. */
export function usualDrive(thread: Thread | undefined, head: Item['head']): DriveSize | undefined {
  if (!thread) return undefined;
  const ofHead = head && STANDARD_OF_HEAD[head];
  if (ofHead) {
    const key = headDimension(ofHead, thread);
    return key && { kind: 'hexKey', acrossFlatsMm: key.acrossFlatsMm };
  }
  const usual = headDimension(usualHead(thread), thread);
  return usual
    ? {
        // The number sizes have no hexagon: their usual head takes a key.
        kind: usual.grip === 'socket' ? 'hexKey' : 'hex',
        acrossFlatsMm: Math.round(usual.acrossFlatsMm * 100) / 100,
        ...(thread.system === 'unified' ? { inch: true as const } : {}),
      }
    : undefined;
}

/**
 * Whether a width said near a joint can be its head's: a hexagon is 1.2 to 2.6 times its thread across flats, from thin
 * flange heads to the smallest screws (ISO 4017, ASME B18.2.1; the bounds are common practice, no source).
 */
export const turns = (drive: SheetDrive, thread: Thread | undefined): boolean =>
  drive.kind !== 'hex' ||
  thread === undefined ||
  (drive.acrossFlatsMm >= 1.2 * thread.nominalMm && drive.acrossFlatsMm <= 2.6 * thread.nominalMm);

/** A thread as the packing list writes it. */
export function threadNamed(written: string | undefined): Thread | undefined {
  const read = written === undefined ? undefined : parseThread(written.replace(' x ', ' × '));
  return read?.ok ? read.value.thread : undefined;
}

/** The thread a joint's sentences speak of; one that cannot be read stays unsaid. */
export function threadOf(torque: Of<'torque'>, said: JointSentences): Thread | undefined {
  return [torque.about, said.thread?.value.designation, said.items.find((item) => item.thread)?.thread]
    .map(threadNamed)
    .find((thread) => thread !== undefined);
}

/** `7/16"`: a size in inches that a figure is about, without its pitch. */
export const inchOf = (about: string | undefined): string | undefined => /^(\d{1,2}\/\d{1,2})"$/.exec(about ?? '')?.[1];

/** A size whose pitch the sentence leaves out is that of the only thread of this size on the packing list. */
export function asListed(
  { reading, inStep }: Drafting,
  listed: ReadonlySet<string>,
  torque: Of<'torque'>,
  thread: Thread | undefined,
  /** The sentences that count its pieces and put it together. */
  beside: ReadonlyArray<number | undefined>,
  /** Another sentence says the size, and no pitch. */
  elsewhere: boolean,
): Thread | undefined {
  // `All 1/2" hardware to 75 lb-ft` says its size, whatever stands beside it.
  const ownInch =
    inchOf(torque.about) ??
    (torque.about === undefined ? inchSizeIn(reading.steps[torque.step]?.text ?? '') : undefined);
  if (!thread || (ownInch !== undefined && !thread.designation.startsWith(`${ownInch}-`))) {
    const inch = [torque.step, ...(thread ? [] : beside)]
      .map((at) => inchSizeIn(reading.steps[at ?? -1]?.text ?? ''))
      .find((size) => size !== undefined);
    const ofSize = [...listed].filter((designation) => inch !== undefined && designation.startsWith(`${inch}-`));
    return ofSize.length === 1 ? threadNamed(ofSize[0]) : thread;
  }
  const bare = inStep(torque.step)
    .filter(isKind('thread'))
    .some(({ value }) => value.pitchAssumed && value.designation === torque.about);
  if (!bare && !elsewhere) return thread;
  if (listed.has(thread.designation.replace(' × ', ' x '))) return thread;
  const same = [...listed].flatMap((designation) => {
    const other = threadNamed(designation);
    return other?.system === thread.system && other.nominalMm === thread.nominalMm ? [other] : [];
  });
  return same.length === 1 ? same[0] : thread;
}

/** A thread without its pitch: a washer has none. */
export const sizeAlone = (designation: string | undefined): string | undefined => designation?.split(/ x |(?<=\d)-/)[0];

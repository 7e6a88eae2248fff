import type { z } from 'zod';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { kitFaults } from '#core/kit/kit-integrity.ts';
import { upgradeKit } from '#core/kit/upgrade-kit.ts';
import { fail, ok, type Result } from '#core/result.ts';
import { KitDocumentSchema } from './kit.ts';
import { kitLimitFaults } from './kit-limits.ts';
import { inLanguage, say } from './wording/say.ts';

/** One fault of a kit file: where, and what. */
export interface KitFileFault {
  /** Path into the file, `stations[3].specs[0].printed`; empty for the file as a whole. */
  path: string;
  message: string;
}

const pathOf = (path: ReadonlyArray<PropertyKey>): string =>
  path.reduce<string>(
    (text, key) => (typeof key === 'number' ? `${text}[${key}]` : text === '' ? String(key) : `${text}.${String(key)}`),
    '',
  );

const FAULT_TEXT: Record<ReturnType<typeof kitFaults>[number]['code'], string> = inLanguage({
  duplicateId: 'this id is used twice',
  unknownItem: 'no packing-list line has this id',
  unknownCompound: 'no compound has this id',
  unknownStation: 'no station has this id',
  unknownGroup: 'no joint group has this id',
  unknownQuestion: 'no question has this id',
  stationInNoGroup: 'this station belongs to no joint group',
  stationInTwoGroups: 'this station belongs to more than one joint group',
  orderIncomplete: 'the order must name every station of its group once',
  stagesNotRising: 'stages must rise and end at 1',
  verifyImpossible: 'no joint of this group can be pulled a second time to verify it',
  fittedInWords: 'what the vehicle carries answers yes or no, or with its figure in mm, not one of several words',
  fitToldLater: 'whether a kit fits cannot hang on what is found or chosen while it is fitted',
  placesAskedBefore: 'only a question that is asked at a step can be asked at several places',
  sidesMissing: 'a question of which side was bought needs the answers left and right',
  formOfAnotherKind: 'this form belongs to another kind of piece',
  outlineOfHardware: 'only a part has an outline of its own; hardware is drawn from its sizes',
  bandEmpty: 'no torque can satisfy this: the lower end lies above the upper',
  printedDisagrees: 'the printed value and the stored value differ by more than 2 %',
  threadUnreadable: 'this is not a thread; a socket size is not one',
  quantityBelowNeed: 'fewer pieces than the stations use',
  choicesMissing: 'a choice needs at least two answers',
  empty: 'a kit that is worked from needs at least one of these',
  groupEmpty: 'this group has no station',
  shimWithoutThickness: 'a shim line says how thick it is',
  unknownReference: 'nothing of this kit has this id',
  stepsInCircle: 'these steps wait for each other',
  groupsInCircle: 'these groups wait for each other',
});

/** A fault of the document in words, with its place. */
export const faultText = ({ path, code, value }: ReturnType<typeof kitFaults>[number]): KitFileFault => ({
  path,
  message: `${FAULT_TEXT[code]} (${value})`,
});

/** A union reports only "Invalid input"; its best branch's own words say more. */
function leafIssues(issue: z.core.$ZodIssue): Array<{ path: PropertyKey[]; message: string }> {
  if (issue.code !== 'invalid_union' || issue.errors.length === 0)
    return [{ path: issue.path, message: issue.message }];
  const closest = issue.errors.reduce((best, branch) => (branch.length < best.length ? branch : best));
  return closest.flatMap(leafIssues).map((leaf) => ({ path: [...issue.path, ...leaf.path], message: leaf.message }));
}

/**
 * Reads a kit file's text.
 *
 * @returns the kit, or every fault found, each with its path, in one go
 */
export function readKit(text: string): Result<KitDocument, { code: 'kitFaulty'; faults: KitFileFault[] }> {
  let raw: unknown;
  try {
    raw = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch (error) {
    return fail({
      code: 'kitFaulty',
      faults: [{ path: '', message: say('not JSON: {message}', { message: (error as Error).message }) }],
    });
  }
  const tooLarge = kitLimitFaults(raw);
  if (tooLarge.length > 0) return fail({ code: 'kitFaulty', faults: tooLarge });
  const parsed = KitDocumentSchema.safeParse(upgradeKit(raw));
  if (!parsed.success) {
    const faults = parsed.error.issues
      .flatMap(leafIssues)
      .map(({ path, message }) => ({ path: pathOf(path), message }));
    return fail({ code: 'kitFaulty', faults });
  }
  const faults = kitFaults(parsed.data);
  if (faults.length > 0) {
    return fail({
      code: 'kitFaulty',
      faults: faults.map(faultText),
    });
  }
  return ok(parsed.data);
}

/** Writes a kit file; {@link readKit} gives back an equal document. */
export const writeKit = (kit: KitDocument): string => `${JSON.stringify(kit, null, 2)}\n`;

import type { JobCommand } from './job-command.ts';

export type Role = 'fitter' | 'lead' | 'counter' | 'apprentice';

/** Who did something: kept with every event. */
export interface Person {
  id: string;
  name: string;
  role: Role;
}

const FLOOR: ReadonlyArray<JobCommand['type']> = [
  'countLine',
  'startByHand',
  'applyCompound',
  'snug',
  'pull',
  'confirmStop',
  'loosen',
  'setLoadState',
  'raiseProblem',
  'undo',
  'measure',
  'doStep',
  'openDebt',
  'addDebt',
  'closeDebt',
];

/** Those who answer for the work also sign, correct and clear. */
const ANSWERABLE: ReadonlyArray<JobCommand['type']> = [
  ...FLOOR,
  'useShopStock',
  'scrapPiece',
  'declareSpare',
  'clearProblem',
  'correctPull',
  'changeAnswer',
  'close',
  'answerPrerequisite',
  'makeChoice',
  'arrangeRefit',
  'giveFigure',
  'splitShared',
  'addKit',
  'dropKit',
];

/** What each role may do on a job. An apprentice works; a lead alone lifts a refusal. */
const MAY: Record<Role, ReadonlySet<JobCommand['type']>> = {
  apprentice: new Set(FLOOR),
  counter: new Set([
    'countLine',
    'useShopStock',
    'raiseProblem',
    'changeAnswer',
    'undo',
    'answerPrerequisite',
    'makeChoice',
    'addKit',
    'dropKit',
  ]),
  fitter: new Set(ANSWERABLE),
  lead: new Set([...ANSWERABLE, 'override', 'useCalculation', 'settleConflict', 'overrideStep']),
};

/** Whether a role may give a command. */
export const mayDo = (role: Role, command: JobCommand['type']): boolean => MAY[role].has(command);

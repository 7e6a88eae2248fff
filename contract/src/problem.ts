import { z } from 'zod';

/** The codes a request can fail with; each is a row in the server's table of statuses. */
export type ProblemCode =
  | 'badRequest'
  | 'notSignedIn'
  | 'wrongSecret'
  | 'badKeys'
  | 'handOverRefused'
  | 'secretTooShort'
  | 'passkeyRefused'
  | 'wrongHost'
  | 'jobClosed'
  | 'workBegun'
  | 'recordBroken'
  | 'tooManyPictures'
  | 'tooManyPhotos'
  | 'tooManyAttempts'
  | 'notPermitted'
  | 'crossOrigin'
  | 'notFound'
  | 'unknownVehicle'
  | 'unknownKit'
  | 'vehicleFaulty'
  | 'vehicleChanged'
  | 'kitTwice'
  | 'unknownJob'
  | 'kitFaulty'
  | 'kitRevisionExists'
  | 'kitTooLarge'
  | 'tooManyRevisions'
  | 'unknownDrill'
  | 'drillFaulty'
  | 'unknownDraft'
  | 'draftExists'
  | 'draftChanged'
  | 'kitNotReleasable'
  | 'waiverNeedsLead'
  | 'answersMissing'
  | 'answerOutOfRange'
  | 'specMissing'
  | 'kitDoesNotFit'
  | 'bayUnknown'
  | 'personUnknown'
  | 'promisedTooEarly'
  | 'unknownWrench'
  | 'unknownTool'
  | 'unknownBottle'
  | 'unknownDrawer'
  | 'openedAlready'
  | 'codeWrong'
  | 'initialsTaken'
  | 'lastLead'
  | 'tooManyShops'
  | 'shopNameTaken'
  | 'notYourself'
  | 'mentorUnknown'
  | 'rowsFaulty'
  | 'unknownProgram'
  | 'keyUnknown'
  | 'keyMayNot'
  | 'tooManyRequests'
  | 'sentBeforeOtherwise'
  | 'stillUnderWay'
  | 'unknownDue'
  | 'nothingToRetorque'
  | 'linkUnknown'
  | 'linkExpired'
  | 'linkRevoked'
  | 'tooManyReports'
  | 'unknownMessage'
  | 'messageNotSent'
  | 'unknownOwner'
  | 'unknownImport'
  | 'unknownTablet'
  | 'ownTablet'
  | 'pairingRefused'
  | 'deviceNotPaired'
  | 'notTheLast'
  | 'inUseSince'
  | 'unknownLoan'
  | 'unknownPerson'
  | 'noPlan'
  | 'labelTaken'
  | 'alreadyOut'
  | 'wrenchLentLocked'
  | 'calibrationIncomplete'
  | 'rangeReversed'
  | 'tooLarge'
  | 'storeUnavailable'
  | 'storeFull'
  | 'internal';

/** RFC 9457 problem details, with the facts of the case beside them. */
export interface Problem {
  type: string;
  title: string;
  status: number;
  code: ProblemCode;
  detail?: string;
  requestId?: string;
  /** Where in the input, for bad input. */
  faults?: Array<{ path: string; message: string }>;
}

/** The same, for those who read it in another language. */
export const ProblemSchema = z.looseObject({
  type: z.string(),
  title: z.string(),
  status: z.number().int(),
  code: z.string(),
  detail: z.string().optional(),
  requestId: z.string().optional(),
  faults: z.array(z.object({ path: z.string(), message: z.string() })).optional(),
});

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
  | 'notYourself'
  | 'mentorUnknown'
  | 'rowsFaulty'
  | 'unknownImport'
  | 'notTheLast'
  | 'inUseSince'
  | 'unknownLoan'
  | 'unknownPerson'
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

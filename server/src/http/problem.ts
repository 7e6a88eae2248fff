import type { Context } from 'hono';
import type { ContentfulStatusCode } from 'hono/utils/http-status';
import type { Problem, ProblemCode } from '#contract/problem.ts';

/** One row per way a request can fail. The compiler asks for a row when a code is added. */
const PROBLEMS: Record<ProblemCode, { status: ContentfulStatusCode; title: string }> = {
  badRequest: { status: 422, title: 'The request is not well formed' },
  notSignedIn: { status: 401, title: 'Sign in first' },
  wrongSecret: { status: 401, title: 'Wrong person or PIN' },
  badKeys: { status: 422, title: 'The keys of this device are not ones that Wrenchman knows' },
  handOverRefused: { status: 401, title: 'This hand-over cannot be taken: enter the PIN' },
  secretTooShort: { status: 422, title: 'The shop asks for a longer PIN' },
  passkeyRefused: { status: 401, title: 'This passkey cannot be taken' },
  wrongHost: { status: 421, title: 'This server is not known by that name' },
  jobClosed: { status: 409, title: 'The job is closed: its record stands' },
  workBegun: {
    status: 409,
    title: 'Work on the vehicle has begun: put the job aside, or close it with what is left undone',
  },
  recordBroken: { status: 409, title: 'The record was altered: a lead looks at it first' },
  tooManyPictures: { status: 409, title: 'This shop keeps as many pictures of sheets as it may' },
  tooManyPhotos: { status: 409, title: 'This job has as many photos as it may' },
  tooManyAttempts: { status: 429, title: 'Too many wrong PINs' },
  notPermitted: { status: 403, title: 'Your role may not do this' },
  crossOrigin: { status: 403, title: 'The request came from another site' },
  notFound: { status: 404, title: 'No such address' },
  unknownVehicle: { status: 404, title: 'No such vehicle in this shop' },
  vehicleFaulty: { status: 422, title: 'The vehicle cannot be like this' },
  vehicleChanged: { status: 409, title: 'Someone else saved this vehicle meanwhile' },
  kitTwice: { status: 422, title: 'The same kit is in the visit twice' },
  unknownKit: { status: 404, title: 'No such kit in this shop' },
  unknownJob: { status: 404, title: 'No such job in this shop' },
  kitFaulty: { status: 422, title: 'The kit file has faults' },
  kitRevisionExists: { status: 409, title: 'This revision of the kit is already in the library, with other contents' },
  kitTooLarge: { status: 422, title: 'The kit is larger than one may be' },
  tooManyRevisions: { status: 409, title: 'The kit has as many revisions as it may' },
  unknownDraft: { status: 404, title: 'No such draft: it was released or put away' },
  draftExists: { status: 409, title: 'There is a draft of this kit already' },
  draftChanged: { status: 409, title: 'Someone else saved this draft meanwhile' },
  kitNotReleasable: { status: 422, title: 'The kit cannot be released yet' },
  waiverNeedsLead: { status: 403, title: 'Only a lead may let a warning stand' },
  answersMissing: { status: 422, title: 'Questions of the kit are still open' },
  answerOutOfRange: { status: 422, title: 'An answer is outside what the question allows' },
  specMissing: { status: 422, title: 'The kit gives no torque for a station of this vehicle' },
  kitDoesNotFit: { status: 409, title: 'The kit does not fit this vehicle' },
  bayUnknown: { status: 422, title: 'The shop has no such bay' },
  personUnknown: { status: 422, title: 'The shop has no such person' },
  promisedTooEarly: { status: 422, title: 'Promised before it begins' },
  unknownWrench: { status: 404, title: 'No such wrench in this shop' },
  unknownTool: { status: 404, title: 'No such tool in this shop' },
  openedAlready: { status: 409, title: 'There is a shop on this server already' },
  codeWrong: { status: 403, title: 'That is not the code, or it is older than a day' },
  initialsTaken: { status: 409, title: 'Somebody here has these initials' },
  lastLead: { status: 409, title: 'The shop needs a lead who can sign in' },
  notYourself: { status: 409, title: 'Another lead does that to you' },
  mentorUnknown: { status: 422, title: 'The mentor does not work here' },
  rowsFaulty: { status: 422, title: 'Nothing was taken: some lines have faults' },
  unknownTablet: { status: 404, title: 'No such tablet in this shop' },
  ownTablet: { status: 409, title: 'This is the tablet you are on: put it out from another' },
  pairingRefused: { status: 403, title: 'That code does not count, or no more: a lead makes another' },
  deviceNotPaired: { status: 403, title: 'This device is not let in here: a lead lets it in by code' },
  unknownProgram: { status: 404, title: 'No such key or listener in this shop' },
  keyUnknown: { status: 401, title: 'This key is none of the shop’s, or counts no more' },
  keyMayNot: { status: 403, title: 'The key may not do this' },
  tooManyRequests: { status: 429, title: 'Too many requests with this key' },
  sentBeforeOtherwise: { status: 422, title: 'Something else was sent with this idempotency key before' },
  stillUnderWay: { status: 409, title: 'The first request with this idempotency key is still under way' },
  unknownOwner: { status: 404, title: 'No vehicle of this shop has such an owner' },
  unknownImport: { status: 404, title: 'No such import in this shop' },
  notTheLast: { status: 409, title: 'Only the last import is undone, then the one before it' },
  inUseSince: { status: 409, title: 'Some of it is in use since, so it stays as it is' },
  unknownDrawer: { status: 404, title: 'No such drawer in this shop' },
  unknownBottle: { status: 404, title: 'No such bottle in this shop' },
  unknownLoan: { status: 404, title: 'No such loan in this shop' },
  unknownPerson: { status: 404, title: 'No such person in this shop' },
  labelTaken: { status: 409, title: 'Another wrench has this label' },
  alreadyOut: { status: 409, title: 'It is lent already' },
  wrenchLentLocked: { status: 409, title: 'A locked wrench is not lent' },
  calibrationIncomplete: { status: 422, title: 'The calibration is not complete' },
  rangeReversed: { status: 422, title: 'The lowest torque lies above the highest' },
  tooLarge: { status: 413, title: 'The request is too large' },
  storeUnavailable: { status: 503, title: 'The database cannot be reached just now' },
  storeFull: { status: 507, title: 'The server’s disk is full: nothing more can be stored until there is room' },
  internal: { status: 500, title: 'The server made a mistake' },
};

/** Answers with RFC 9457 problem details. */
export function problem(
  c: Context,
  code: ProblemCode,
  more: Partial<Omit<Problem, 'code' | 'status' | 'type' | 'title'>> & Record<string, unknown> = {},
) {
  const { status, title } = PROBLEMS[code];
  const body: Problem = { type: `/problems/${code}`, title, status, code, requestId: c.get('requestId'), ...more };
  const headers: Record<string, string> = { 'Content-Type': 'application/problem+json' };
  if (code === 'storeUnavailable' || code === 'storeFull') headers['Retry-After'] = '2';
  if (typeof more.retryAfterS === 'number') headers['Retry-After'] = String(more.retryAfterS);
  return c.body(JSON.stringify(body), status, headers);
}

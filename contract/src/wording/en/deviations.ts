import type { Deviation } from '#core/record/deviations.ts';
import { inLanguage } from '../say.ts';

/** Every departure from the plan in one sentence or two, in English. Names in braces are written by `deviation-text.ts`. */
export const DEVIATIONS: Record<Deviation['kind'], string> = inLanguage({
  override: '{station}: “{refusal}” let past. {reason}',
  pullMissed: '{station}: pull of {torqueNm} {verdict}.',
  curve:
    '{station}, {torqueNm}: the curve of the pull says: {what}{also, select, none {} other { (or {also})}}, {share} sure.',
  pullWithdrawn: '{station}: pull of {torqueNm} taken back.',
  pullRepeated: '{station}: pulled twice for pass {pass}, on two devices that did not hear of each other; {torqueNm}.',
  breakAcknowledged: 'The record was altered behind the application’s back, from entry {breaks}. {reason}',
  clockOff:
    'A device’s clock was {by} {way}{changed, select, true {, and was set while it was away from the server} other {}}. Its times are corrected by it.',
  clockBackwards: 'Times of a device run backwards by {by}: its clock was put back between two entries.',
  pullCorrected: '{station}: reading corrected from {fromNm} to {toNm}. {reason}',
  threadMended:
    '{station}: thread {rung, select, tap {cut again with a tap} other {replaced by an insert}}, {runs, select, true {runs} other {does not run}}. {note}',
  washerAdded:
    '{station}: washer {insideMm} × {outsideMm} × {thicknessMm} mm, {hardnessHv} HV, added under the {under}{shows, select, none {} other {; fewer than two turns show past the nut}}. {reason}',
  loosened: '{station}: loosened. {reason}{spent, select, none {} other { To scrap: {spent}.}}',
  lineShort:
    '{missing, plural, =0 {} other {# short of {item}.}}{missing, plural, =0 {} other {{damaged, plural, =0 {} other { }}}}{damaged, plural, =0 {} other {# damaged of {item}.}}',
  shopStock: '{quantity} of {item} from shop stock. {reason}',
  substitute: '{quantity} of {item} from the shelf, drawer {bin}, not as on the sheet: {differences}. {reason}',
  ordered:
    '{quantity} of {item} ordered from {supplier}, promised for {promised}{arrived, plural, =0 {; not here} other {; # came}}.',
  apart: '{quantity} of {item} taken aside. {reason}',
  countsDiffer: '{item}: counted {first}, by a second person {second}.',
  scrapped: '{quantity} of {item} scrapped. {reason}',
  answerChanged: '{question} changed from {from} to {to}.',
  withoutFigure: '{station}: tightened without a figure, the sheet gives none. {reason}',
  calculation:
    '{station, select, none {} other {{station}: }}worked out at the bench, not from the sheet. {summary} {reason}',
  figureGiven:
    '{target}: no figure on the sheet, {printed, select, none {done by feel} other {{printed}, from {source}}}. {note}',
  basisSettled:
    '{station}: the figure counts on another thread. Printed {printedNm}, for the same load {sameLoadNm}; used: {use, select, asPrinted {as printed} other {for the same load, {from}}}. {reason}',
  compoundNamed: 'The sheet does not say how strong the locker is: {product}, named by the lead.',
  stageMissed: '{station}: stage {stage} with {torqueNm}, {verdict}.',
  addendum:
    'Found after the close{station, select, none {} other {, {station}}}: {text} Found by {foundBy}. {redone, select, none {Nothing was redone.} other {Redone: {redone}}}',
  conflictSettled: 'Kits at odds, {place}: {choice}{printed, select, none {} other {, to {printed}}}. {reason}',
  sharedSplit: 'Two things of one name told apart. {reason}',
  kitDropped: 'A kit was taken out of the visit{kit, select, none {} other { ({kit})}}. {reason}',
  stepOverride: 'Step {step}: “{refusal}” let past. {reason}',
  stepWaived: 'Step let go: {step}. {reason}',
  turnedSince: '{station} turned at its re-torque, at {pulled}{turned, select, none {} other {, by {turned}}}.',
  ownLook: 'Second look by the one whose work it is, after a break: {target}.',
  careWaived: 'Not asked of the owner: {care} {reason}',
  stepAdded: 'Step put in by a lead: {text}{problem, select, none {} other { For: {problem}}}',
  wrongWay: '{act}: done by {way}, which the sheet warns of. {reason}',
  notMet:
    '{act}: not met, {said}{wanted, select, none {} other {; wanted {wanted}}}{met, select, true {; met later} other {}}.',
  clockReleased: '{what}: not over when the vehicle went, until {endsAt}. The driver was told: {reason}',
  parked:
    'The job was put aside with {open, plural, one {# step} other {# steps}} open{resumed, select, true {, and taken up again} other {}}. The vehicle may {may}. {reason}',
  unfinished:
    '{way, select, oldParts {Back on its old parts} other {Handed back unfinished}} with {open, plural, one {# step} other {# steps}} open. The vehicle may {may}. {reason}',
  prerequisiteUnmet: 'Not met: {text}{note, select, none {} other { {note}}}',
  debtEnded:
    '{count, plural, =1 {} other {# × }}{name}: {end}, planned {planned}.{note, select, none {} other { {note}}}',
  outsideClaim:
    '{name}, {place}: {after} {unit} after{before, select, none {} other {, {before} {unit} {against, select, side {on the other side} other {before}}}}{changed, select, none {} other {: {changed}}}; {wanted}.',
  measuredElsewhere: '{act}{place, select, none {} other {, {place}}}: measured elsewhere by {who}: {what}',
  problem:
    '{station, select, none {} other {{station}: }}problem. {text} {cleared, select, none {Still open.} other {Cleared: {cleared}}}',
});

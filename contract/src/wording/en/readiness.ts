import type { Obstacle, Readiness } from '#core/readiness/readiness.ts';
import { inLanguage } from '../say.ts';

export const VERDICT_TITLE: Record<Readiness['verdict'], string> = inLanguage({
  ready: 'Can start now',
  stops: 'Can start, but stops on the way',
  cannot: 'Cannot start',
});

/** Everything that may be in the way of a visit, in one line, in English. */
export const OBSTACLES: Record<Obstacle['code'], string> = inLanguage({
  conflictOpen: 'Two kits are at odds: {place}. A lead chooses.',
  prerequisiteOpen:
    '{text}{daysBefore, plural, =0 {} one { (takes # day)} other { (takes # days)}}: not answered or not met.',
  baselineMissing: 'Not measured yet: {name}.',
  choiceOpen: 'Not chosen yet: {text}',
  noWrench: 'No torque wrench for {printed} ({targetNm} N·m), {stations, plural, one {# station} other {# stations}}.',
  noTool: 'Not in the crib: {name}.',
  toolElsewhere: '{name}: job {number} takes it in the same hours.',
  notBought: 'To be bought: {quantity} {name}.',
  compoundShort: '{kind}: {needMl} mL needed, {haveMl} mL good on the shelf.',
  hardwareShort: '{name}: {short} short.',
  noFigure: 'Station {label}: the sheet gives no torque.',
  otherSheet: '“{step}” goes on in the sheet of {kit}, which is not in this visit. Add it.',
  liftTooWeak: '{name} bears {ratedKg} kg; this vehicle may need {needKg} kg.',
  noSkill:
    '{named, select, none {Nobody of the shop has} other {None of {named} has}} {skill} on their card{has, select, none {} other {; {has} does}}.',
  kitWithdrawn: '{kit}: this revision was withdrawn. {because}',
});

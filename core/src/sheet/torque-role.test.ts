import { describe, expect, it } from '@jest/globals';
import { readSheet } from './read-sheet.ts';

/** Targets of a text in its printed unit, and what is set aside, by role. Sentences made up for the test. */
const roles = (text: string) => {
  const list: string[] = [];
  for (const { value } of readSheet(text).facts) {
    const range = (min: number, max: number) => (min === max ? `${min}` : `${min}-${max}`);
    if (value.kind === 'torque') {
      const limit = value.limitNm === undefined ? '' : ` <${Number(value.limitNm.toFixed(1))}`;
      list.push(`${value.only ?? 'target'} ${range(value.min, value.max)}${limit}`);
    } else if (value.kind === 'torqueAside') list.push(`${value.role} ${range(value.min, value.max)}`);
  }
  return list;
};

describe('what a torque is in its sentence: only targets become stations', () => {
  it.each([
    ['Tighten the bolts to 45 Nm.', ['target 45']],
    ['Bracket bolts: 45 Nm', ['target 45']],
    ['Torque M10 to 45 Nm and M8 to 22 Nm.', ['target 45', 'target 22']],
    ['Set the torque wrench to 45 Nm and tighten the four bolts.', ['target 45']],
    ['Tighten with the torque key: 5 N·m.', ['target 5']],
    ['Use a torque wrench and pull the nuts to 90 Nm.', ['target 90']],
    ['It is 45 Nm for the front and 55 Nm for the rear.', ['target 45', 'target 55']],
    ['Dry 60 Nm, oiled 45 Nm.', ['target 60', 'target 45']],
    // A wrench's own range, setting or error.
    ['You need a torque wrench of 20-100 Nm.', ['wrench 20-100']],
    ['Torque wrench (40-200 Nm), 3/8 drive.', ['wrench 40-200']],
    ['My torque wrench only starts at 40 Nm.', ['wrench 40']],
    ['The clicker goes down to 20 Nm.', ['wrench 20']],
    ['The wrench reads 2 Nm high.', ['wrench 2']],
    ['A cordless ratchet of 80 Nm is enough to run them in.', ['wrench 80']],
    ['An impact gun with 450 Nm strips these nuts.', ['wrench 450']],
    ['Tools: torque wrench 5-25 N·m, T30 bit.', ['wrench 5-25']],
    ['You need: 7/32 hex key, torque wrench to 50 ft-lb, a helper.', ['wrench 50']],
    ['Have a torque wrench up to 50 Nm at hand.', ['wrench 50']],
    ['Torque wrench (max 50 Nm).', ['wrench 50']],
    ['Tighten with the torque wrench up to 50 Nm.', ['target 50']],
    // No longer, not yet, or never right.
    ['Earlier sheets gave 45 Nm.', ['superseded 45']],
    ['The bolts were 60 Nm, now they are 65 Nm.', ['superseded 60', 'target 65']],
    ['Tighten to 65 Nm (was 60 Nm).', ['target 65', 'superseded 60']],
    ['Tighten to 65 Nm (previously 60 Nm).', ['target 65', 'superseded 60']],
    ['The figure was raised from 60 Nm to 65 Nm.', ['superseded 60', 'target 65']],
    ['The value changed from 45 Nm to 52 Nm in this issue.', ['superseded 45', 'target 52']],
    ['Tighten to 52 Nm instead of 45 Nm.', ['target 52', 'superseded 45']],
    ['Tighten to 52 Nm, not 45 Nm.', ['target 52', 'superseded 45']],
    ['40 Nm is a misprint.', ['superseded 40']],
    ['It says 80 Nm for the frame bolts, that was for class 8.8.', ['superseded 80']],
    ['Its 8 Nm screws are not to be used again.', ['other 8']],
    ['Pinch bolt, anti-seize: 44 Nm (dry: 55 Nm)', ['target 44', 'other 55']],
    ['Go round twice, 6 Nm the first time and 12 Nm the second.', ['target 12']],
    ['The value of 120 Nm, which in the older edition stood, is invalid.', ['superseded 120']],
    ['Do not do what the old sheet said, that said 130 Nm.', ['superseded 130']],
    ['In issue A the chassis bolt was tightened to 95 Nm.', ['superseded 95']],
    ['Crossed-out entry in earlier lists: no. 5 "105 Nm".', ['superseded 105']],
    ['The first 60 Nm printed at E is a drawing error.', ['superseded 60']],
    ['bench: 22 Nm bracket\nbench: sorry 24\n', ['superseded 22', 'target 24']],
    ['The old leaflet has 95 Nm, tighten to 105 Nm.', ['superseded 95', 'target 105']],
    ['Last time it was tightened to 95 Nm, which was too little.', ['superseded 95']],
    ['They go to forty five newton metres, no sorry, fifty two newton metres.', ['superseded 45', 'target 52']],
    ['This page replaces the 40 Nm of the last one.', ['superseded 40']],
    // Another's, or no torque of a joint at all.
    ['His brother used 3 Nm.', ['other 3']],
    ['Our member with the red one did his to 160 Nm and needed a drill to get them off.', ['other 160']],
    ['I started at 10 Nm, but the template shows 6 Nm.', ['other 10', 'target 6']],
    ['For the floor bolts I always gave 18 Nm, and you should too.', ['target 18']],
    ['Test bolts yielded at 142 Nm.', ['other 142']],
    ['The original instruction called for 75 Nm.', ['other 75']],
    ['Most impact guns deliver 250 Nm.', ['other 250']],
    ['The hub maker quotes 130 Nm.', ['other 130']],
    ['A torque of 95 Nm remained at the end of the test.', ['other 95']],
    ['The wheel shall not be operable with less than 6 Nm.', ['other 6']],
    ['The same 95 Nm gives a third more load.', ['other 95']],
    ['Balls of other makers follow their own figure (often 250 Nm).', ['other 250']],
    ['Check the breakaway torque with one wheel locked. Standard 50 Nm or more.', ['other 50']],
    ['Torque on the steering wheel, not more than 4 Nm.', ['other 4']],
    ['★★☆☆☆ "The nuts had only been done up to 30 Nm by the shop."', ['other 30']],
    ['YOUR QUESTION: the bolts are 60 Nm in my sheet?\nOUR ANSWER: stay at 65 Nm.\n', ['other 60', 'target 65']],
    ['The hinge bolts need a torque wrench: 24 Nm.', ['target 24']],
    ['Two high tensile bolts, 120 Nm. Permanent locking fluid.', ['target 120']],
    ['The factory figure of 120 Nm is for the old bolts.', ['other 120']],
    ['The lid has "6 Nm max" moulded in it.', ['other 6']],
    ['The hand book gives 110 Nm for the standard wheels.', ['other 110']],
    ['Other makers give 70 Nm.', ['other 70']],
    ['The forum says 80 Nm.', ['other 80']],
    ['The engine makes 320 Nm at 1750 rpm.', ['other 320']],
    ['Max. engine torque 340 Nm.', ['other 340']],
    ['The coupling holds 450 Nm.', ['other 450']],
    ['The shaft is rated to 900 Nm.', ['other 900']],
    ['A bending moment of 900 N·m acts on the arm.', ['other 900']],
    ['The bolt snapped at 95 Nm.', ['other 95']],
    ['Pull the four M12 to 105 Nm. Do not exceed 110 Nm on the M12.', ['target 105 <110']],
    ['They sit at 120 Nm from the works.', ['other 120']],
    ['Loose bolts where 115 Nm were asked.', ['other 115']],
    ['The motor starts with 12 N·m.', ['other 12']],
    ['The rail bolts must hold 60 N·m without moving.', ['other 60']],
    ['The U-bolt stands 170 Nm before it stretches.', ['other 170']],
    ['Measured: 38, 42, 55 and 61 Nm.', ['other 61']],
    ['Note: 1 lb-ft = 1.356 N.m', ['other 1']],
    ['Original hardware to factory spec (129 lb-ft on later cars, 111 lb-ft before).', ['other 129', 'other 111']],
    ['Tighten to 89 in-lbs. That is about 10 Nm.', ['target 89', 'other 10']],
    ['Snug it another 5 in-lbs.', ['other 5']],
    ['The thread strips at 30 Nm.', ['other 30']],
    ['One nut was found at 20 Nm.', ['other 20']],
    ['The old nut took 300 Nm to undo.', ['other 300']],
    ['A nut that turns below 4 Nm of prevailing torque is thrown away.', ['other 4']],
    ['Turning torque of the bearing 1.5 Nm.', ['other 1.5']],
    ['The joint loses 10 Nm when hot.', ['other 10']],
    ['All four within 5 Nm of each other.', ['other 5']],
    ['A hand makes about 20 Nm.', ['other 20']],
    ['With 8.8 bolts it would be 48 Nm.', ['other 48']],
    ['Is it 45 Nm?', ['other 45']],
    ['Conversion: 10 Nm = 7.4 ft-lb.', ['other 10']],
    ['Last reading: 47.5 Nm.', ['other 47.5']],
    ['For example 45 Nm.', ['other 45']],
    ['Do not confuse it with the 25 Nm of the lower bolt.', ['other 25']],
    // Ends.
    ['Hose clamp: max. 3 Nm.', ['ceiling 3 <3']],
    ['Tighten to 9 Nm, never above 11 Nm.', ['target 9 <11']],
    ['Tighten to 20 Nm, at most 24 Nm.', ['target 20 <24']],
    ['Tighten to 20 Nm. More than 24 Nm bends the plate.', ['target 20 <24']],
    ['Reach 35 Nm, then on to the next slot; 52 Nm must not be passed.', ['target 35 <52']],
    ['At least 50 Nm.', ['floor 50']],
    ['min. 50 Nm', ['floor 50']],
    ['≤ 60 Nm', ['ceiling 60 <60']],
    // Numbers that name.
    ['Tighten bolt 4 to 35 Nm.', ['target 35']],
    ['Tighten in the order 1, 3, 2, 4 to 35 Nm.', ['target 35']],
    ['Wheel nuts 110 to 120 Nm.', ['target 110-120']],
  ])('%s', (text, expected) => expect(roles(text)).toEqual(expected));

  it('a figure that is withdrawn further on is no target where it stood', () => {
    const text =
      'j) Axle bolts: tighten to 190 Nm.\nk) Links: 70 Nm.\n\nADDENDUM. Step j: the value of 190 Nm is withdrawn. The bolts of this set: 165 Nm.';
    expect(roles(text)).toEqual(['superseded 190', 'target 70', 'superseded 190', 'target 165']);
  });
  it('quoted lines of a letter that is answered are what was asked', () => {
    expect(roles('It is 95 Nm.\n\nOn Tuesday Ines wrote:\n> Is it 85 Nm?\n> My paper has 80 Nm.')).toEqual([
      'target 95',
      'superseded 85',
      'superseded 80',
    ]);
  });
});

describe('stages and turns', () => {
  const torque = (text: string) => {
    const fact = readSheet(text).facts.find(({ value }) => value.kind === 'torque');
    return fact?.value.kind === 'torque' ? fact.value : undefined;
  };
  it.each([
    ['First 10 Nm, then 18 Nm, finally 24 Nm.', [10, 18, 24]],
    ['Tighten to 40, then 70, then 95 Nm.', [40, 70, 95]],
    ['Two stages: first all at 30 Nm, then all at 65 Nm, across.', [30, 65]],
    ['120 Nm in 3 steps 40 / 80 / 120', [40, 80, 120]],
  ])('%s', (text, stages) => {
    expect(torque(text)?.stages?.map((stage) => ('torqueNm' in stage ? stage.torqueNm : 'back'))).toEqual(stages);
    expect(torque(text)?.max).toBe(stages.at(-1));
  });
  it('back off stands between its torques', () =>
    expect(torque('Tighten the nut to 50 Nm. Back it off 90 degrees. Then 9-11 Nm.')?.stages).toEqual([
      { torqueNm: 50 },
      { backOffDeg: 90 },
      { torqueNm: 11 },
    ]));
  it('two strokes are one turn', () =>
    expect(torque('80 Nm + 90° + 90°')).toMatchObject({ max: 80, angleDeg: 180, strokesDeg: [90, 90] }));
  it.each([
    ['55 Nm ± 10 %', 49.5, 60.5],
    ['70 Nm (+5/-0)', 70, 75],
    ['40 N·m +/-3', 37, 43],
    ['45…50 Nm', 45, 50],
    ['8...10 Nm', 8, 10],
    ['0,8 ÷ 1,0 kgf·m', 0.8, 1],
    ['about 6 or 7 foot pounds', 6, 7],
    ['not less than 14 nor more than 18 lbf·in', 14, 18],
    ['45\u201150 Nm', 45, 50],
    ['45\u221250 Nm', 45, 50],
  ])('%s is a window', (text, min, max) => expect(torque(text)).toMatchObject({ min, max }));
  it.each([
    ['35 N\u2219m', 35, 'N·m'],
    ['3.5 daNm', 3.5, 'daN·m'],
    ['40 Ncm', 40, 'cN·m'],
    ['4 mkp', 4, 'kgf·m'],
    ['4 kp·m', 4, 'kgf·m'],
    ['35 ft #', 35, 'lbf·ft'],
    ['\uff13\uff15 Nm', 35, 'N·m'],
    ['3\ufe0f\u20e35\ufe0f\u20e3 Nm', 35, 'N·m'],
  ])('%s', (text, max, unit) => expect(torque(text)).toMatchObject({ max, unit }));
  it('50/60 Nm is doubted, and never a fraction', () => {
    const fact = readSheet('Tighten to 50/60 Nm').facts.find(({ value }) => value.kind === 'torque');
    expect(fact?.value).toMatchObject({ min: 50, max: 60 });
    expect(fact?.confidence).toBeLessThan(0.9);
  });
  it('35 (26) Nm (ft-lb) is one torque in two units', () =>
    expect(torque('Tighten to 35 (26) Nm (ft-lb)')).toMatchObject({
      max: 35,
      unit: 'N·m',
      pair: { max: 26, unit: 'lbf·ft', agrees: true },
    }));
});

describe('figures of a test, a comparison, and of other parts', () => {
  const roles = (text: string) =>
    readSheet(text).facts.flatMap(({ value, printed }) =>
      value.kind === 'torque' ? [printed] : value.kind === 'torqueAside' ? [`not ${printed}`] : [],
    );
  it.each([
    ['The specimen was held by six bolts M12, 10.9, tightened to 100 Nm.', ['not 100 Nm']],
    ['The bolts were tightened to 100 Nm for the test. For fitting we ask for 92 Nm.', ['not 100 Nm', '92 Nm']],
    ['The hand brake moment was 35 Nm. Bracket bolts 24 Nm.', ['not 35 Nm', '24 Nm']],
    ['M10 nuts 46 Nm. A note: 55 Nm is for the older 12.9 studs.', ['46 Nm', 'not 55 Nm']],
    [
      'Kit ours (spacer) | Kit theirs (coil)\ntop nuts M10, 46 Nm | top nuts M10, 40 Nm\nno arm bolts | arm bolt M14, 150 Nm\n',
      ['46 Nm', 'not 40 Nm', 'not 150 Nm'],
    ],
  ])('%s', (text, expected) => expect(roles(text)).toEqual(expected));
});

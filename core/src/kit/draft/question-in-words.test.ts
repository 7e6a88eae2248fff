import { describe, expect, it } from '@jest/globals';
import { drafted } from './fixture/drafted.ts';
import { askedOf } from './question-in-words.ts';

describe('a condition is asked when the vehicle comes in', () => {
  it.each([
    ['If the vehicle has front parking sensors', 'Does it have: front parking sensors?'],
    ['If your car has side steps', 'Does it have: side steps?'],
    ['If parking sensors are fitted they must', 'Does it have: parking sensors?'],
    ['If there is a roof rack on the car hold the ram head on first', 'Does it have: roof rack on the car?'],
    ['If equipped with a sunroof', 'Does it have: sunroof?'],
    ['With dual exhaust', 'Does it have: dual exhaust?'],
    ['w/ camera', 'Does it have: camera?'],
    ['Bumpers with the factory tow package', 'Does it have: factory tow package?'],
    ['In case of the vehicle with the driving support camera', 'Does it have: driving support camera?'],
    ['Should the vehicle have the third row seats', 'Does it have: third row seats?'],
    ['vehicles equipped with a parking aid the control unit shall be coded', 'Does it have: parking aid?'],
    ['Manual gearbox', 'Does it have: manual gearbox?'],
    ['Estate', 'Is it: Estate?'],
    ['On diesels', 'Is it: diesel?'],
    ['On the short wheelbase', 'Is it: short wheelbase?'],
    ['LHD cars', 'Is it one of these: LHD cars?'],
    ['Lifted trucks?', 'Is it one of these: lifted trucks?'],
    ['Trucks built before 03/17', 'Is it so: trucks built before 03/17?'],
    ['Chassis Nos. 4001 to 4760', 'Is it so: chassis Nos. 4001 to 4760?'],
    ['On some models the exhaust must be lowered', 'Is it so: the exhaust must be lowered?'],
    ['Only if the crash bar is the alloy one', 'Is it so: crash bar is the alloy one?'],
  ])('%s', (condition, text) => expect(askedOf(condition)).toMatchObject({ text, is: true }));

  it.each([
    ['Vehicle without air conditioner', 'Does it have: air conditioner?'],
    ['without sunroof', 'Does it have: sunroof?'],
    ['unless it has a tow bar', 'Does it have: tow bar?'],
    ['If the car has no splash guard the drain valve points forward', 'Does it have: splash guard?'],
  ])('%s is meant by No', (condition, text) => expect(askedOf(condition)).toMatchObject({ text, is: false }));

  it.each(['One side only', 'before that', 'models', 'option)', 'Only for', 'left-hand side', 'Without'])(
    '%s asks nothing',
    (condition) => expect(askedOf(condition)).toBeUndefined(),
  );

  it('is asked once, whichever way it is said', () => {
    const kit = drafted(
      '1. If the vehicle has parking sensors, unplug them.\n2. Vehicles without parking sensors: drill the plug out.\n3. If parking sensors are fitted, plug them in.\n4. Tighten to 40 Nm.\n',
    );
    expect(kit.questions.map(({ text }) => text)).toEqual(['Does it have: parking sensors?']);
    expect(kit.steps.slice(0, 3).map(({ when }) => when && 'is' in when && when.is)).toEqual([true, false, true]);
  });
});

import { describe, expect, it } from '@jest/globals';
import { parseThread } from '../../fastener/thread.ts';
import { type Naming, nameOfJoint } from './joint-name.ts';

const thread = (text: string) => {
  const read = parseThread(text);
  return read.ok ? read.value.thread : undefined;
};
const naming = (said: Partial<Naming> & { text?: string }): Naming => ({
  step: { text: said.text ?? 'Tighten the bolts to 20 Nm.', start: 0 } as Naming['step'],
  number: 4,
  row: false,
  phrase: '',
  words: [],
  sizeAlone: false,
  pieces: 'bolts',
  kinds: [],
  onSides: false,
  ...said,
});
const none = () => false;

describe('a joint', () => {
  it.each<[string, Parameters<typeof naming>[0], string]>([
    ['what its sentences call it', { title: 'Tower nuts', section: 'FRONT AXLE', words: ['part tower'] }, 'Tower nuts'],
    ['the heading it stands below', { section: 'STEERING DAMPER BRACKET' }, 'Steering damper bracket bolts'],
    ['its size', { size: 'M10 × 1.5' }, 'M10 × 1.5 bolts'],
    ['its pieces', { kinds: ['bolt'] }, 'Bolts'],
    ['its step', {}, 'Joint, step 4'],
    ['the word of the list that told its pieces', { beside: 'header' }, 'Header bolts'],
    [
      'its size, and not one word for it',
      { title: 'Screws', thread: thread('M5'), size: 'M5 × 0.8', kinds: ['bolt'] },
      'M5 × 0.8 bolts',
    ],
    ['its size alone, where it is called so', { title: 'Studs of it', sizeAlone: true, size: '5/8"' }, '5/8" bolts'],
    ['no side, where it stands on both', { title: 'Left foot', onSides: true, words: ['part foot'] }, 'Foot'],
    ['its version too', { title: 'Tower nuts', version: 'long bed' }, 'Tower nuts, long bed'],
    [
      'its place, where the figure is said of it',
      { title: 'Damper bolts', phrase: 'New damper in: upper ' },
      'Damper bolts, upper',
    ],
  ])('is called by %s', (_, said, name) => expect(nameOfJoint(naming(said), none)).toBe(name));

  it('is told from another of its name by what stands in brackets, or by its step', () => {
    const taken = (name: string) => ['Chassis face', 'M8 × 1.25 bolts'].includes(name);
    const row = naming({
      title: 'Chassis face',
      row: true,
      text: 'Chassis face (inner row) | 23',
      words: ['part face'],
    });
    expect(nameOfJoint(row, taken)).toBe('Chassis face, inner row');
    expect(nameOfJoint(naming({ size: 'M8 × 1.25' }), taken)).toBe('M8 × 1.25 bolts, step 4');
  });

  it('has no name longer than a screen shows', () => {
    const name = nameOfJoint(naming({ title: 'Upper control arm rear bushing '.repeat(6), version: 'diesel' }), none);
    expect([...name].length).toBeLessThanOrEqual(80);
  });
});

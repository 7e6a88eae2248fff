import { must } from '#contract/calc/joint-input.ts';
import { say } from '#contract/wording/say.ts';
import { eccentricAim } from '#core/bench/eccentric.ts';
import { ECCENTRIC_PLACES, type EccentricPlace } from '#core/geometry/eccentric.ts';
import { written } from '#core/quantity/display.ts';
import { EccentricFaces } from '../../../drawing/EccentricFaces.tsx';
import type { BenchTool } from '../bench-tool.ts';

const sign = (value: number): string => `${value > 0 ? '+' : ''}${value.toFixed(2)}`;

/** Where an eccentric bolt goes for a camber. */
export const CAMBER: BenchTool = {
  id: 'camber',
  title: say('Camber bolt'),
  says: say('Which way an eccentric is turned for the camber wanted, how far, and what it can reach.'),
  example: 'camber -1.5 to -0.5',
  words: ['camber', 'camber bolt', 'eccentric', 'cam bolt', 'cam washer', 'lobe', 'slotted'],
  wide: true,
  takes: ['now', 'aim'],
  fields: [
    {
      key: 'now',
      label: say('Camber now'),
      initial: '-1.5',
      kind: 'number',
      unit: '°',
      hint: say('top in is below 0'),
    },
    { key: 'aim', label: say('Camber wanted'), initial: '-0.5', kind: 'number', unit: '°' },
    {
      key: 'authority',
      label: say('A quarter turn moves it'),
      initial: '1.2',
      kind: 'number',
      unit: '°',
      hint: say('as the kit’s maker states it'),
    },
    {
      key: 'lobe',
      label: say('The lobe stands now'),
      initial: '0',
      kind: 'number',
      unit: '°',
      hint: say('from neutral; outwards above 0'),
    },
    {
      key: 'place',
      label: say('Where it sits'),
      initial: 'upperClamp',
      kind: 'choice',
      options: [
        { value: 'upperClamp', label: say('Upper clamp bolt of a strut') },
        { value: 'lowerClamp', label: say('Lower clamp bolt of a strut') },
        { value: 'lowerArm', label: say('Lower arm at the body') },
        { value: 'upperArm', label: say('Upper arm at the body') },
      ],
    },
    {
      key: 'sense',
      label: say('Lobe outwards puts the top'),
      initial: '',
      kind: 'choice',
      assumption: true,
      options: [
        { value: '', label: say('As its place says') },
        { value: 'topOut', label: say('Outwards') },
        { value: 'topIn', label: say('Inwards') },
      ],
    },
  ],
  answer(read) {
    const place = read.choice<EccentricPlace>('place');
    const sense = read.text('sense');
    const lobeOut = sense === 'topOut' || sense === 'topIn' ? sense : ECCENTRIC_PLACES[place];
    const lobeDeg = read.number('lobe', -90, 90);
    const nowDeg = read.number('now', -15, 15);
    const a = must(
      eccentricAim({
        eccentric: { authorityDeg: read.number('authority', 0.05, 6), lobeOut },
        nowDeg,
        aimDeg: read.number('aim', -15, 15),
        lobeDeg,
      }),
    );
    const way =
      a.towards === 'stays'
        ? say('stays where it is')
        : say('{turnDeg}° {towards}: top goes {top}', {
            turnDeg: written(Math.abs(a.turnDeg), 0),
            towards: a.towards,
            top: a.top,
          });
    return {
      main: {
        label:
          a.towards === 'stays'
            ? say('The lobe stays')
            : say('Turn the lobe {towards}, both wheels', { towards: a.towards }),
        shown: {
          number: Math.abs(a.turnDeg).toFixed(0),
          unit: '°',
          other: say('to {angleDeg}° from neutral', { angleDeg: written(a.angleDeg, 0) }),
        },
      },
      figures: [
        { label: say('Camber then'), shown: { number: sign(a.camberDeg), unit: '°' } },
        { label: say('The top of the wheel goes'), shown: read.show.text(a.top) },
        {
          label: say('Reaches from, to'),
          shown: read.show.text(`${sign(a.reach.minDeg)} to ${sign(a.reach.maxDeg)}`, '°'),
        },
        { label: say('At neutral'), shown: { number: sign(a.neutralDeg), unit: '°' } },
        { label: say('Missing'), shown: { number: sign(a.missingDeg), unit: '°' } },
      ],
      remarks: a.remarks,
      drawing: (
        <EccentricFaces
          faces={(['left', 'right'] as const).map((side) => ({
            side,
            fromDeg: lobeDeg,
            toDeg: a.angleDeg,
            top: a.top,
          }))}
          label={say('Eccentric of both wheels from the front: the lobe {way}', { way })}
        />
      ),
      summary: say('Camber {sign}° to {sign2}°: lobe {way}{which}', {
        sign: sign(nowDeg),
        sign2: sign(a.camberDeg),
        way,
        which: Math.abs(a.missingDeg) > 0.05 ? say(', {sign}° not reached', { sign: sign(a.missingDeg) }) : '',
      }),
    };
  },
  sources: [
    {
      what: say('Change = authority × sin(angle from neutral)'),
      where: say('geometry; the authority is the kit maker’s'),
    },
    { what: say('Left and right from the driver’s seat, looking forward'), where: say('common practice, no source') },
  ],
};

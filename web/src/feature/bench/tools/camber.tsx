import { must } from '#contract/calc/joint-input.ts';
import { eccentricAim } from '#core/bench/eccentric.ts';
import { ECCENTRIC_PLACES, type EccentricPlace } from '#core/geometry/eccentric.ts';
import { EccentricFaces } from '../../../drawing/EccentricFaces.tsx';
import type { BenchTool } from '../bench-tool.ts';

const sign = (value: number): string => `${value > 0 ? '+' : ''}${value.toFixed(2)}`;

/** Where an eccentric bolt goes for a camber. */
export const CAMBER: BenchTool = {
  id: 'camber',
  title: 'Camber bolt',
  says: 'Which way an eccentric is turned for the camber wanted, how far, and what it can reach.',
  example: 'camber -1.5 to -0.5',
  words: ['camber', 'camber bolt', 'eccentric', 'cam bolt', 'cam washer', 'lobe', 'slotted'],
  wide: true,
  takes: ['now', 'aim'],
  fields: [
    { key: 'now', label: 'Camber now', initial: '-1.5', kind: 'number', unit: '°', hint: 'top in is below 0' },
    { key: 'aim', label: 'Camber wanted', initial: '-0.5', kind: 'number', unit: '°' },
    {
      key: 'authority',
      label: 'A quarter turn moves it',
      initial: '1.2',
      kind: 'number',
      unit: '°',
      hint: 'as the kit’s maker states it',
    },
    {
      key: 'lobe',
      label: 'The lobe stands now',
      initial: '0',
      kind: 'number',
      unit: '°',
      hint: 'from neutral; outwards above 0',
    },
    {
      key: 'place',
      label: 'Where it sits',
      initial: 'upperClamp',
      kind: 'choice',
      options: [
        { value: 'upperClamp', label: 'Upper clamp bolt of a strut' },
        { value: 'lowerClamp', label: 'Lower clamp bolt of a strut' },
        { value: 'lowerArm', label: 'Lower arm at the body' },
        { value: 'upperArm', label: 'Upper arm at the body' },
      ],
    },
    {
      key: 'sense',
      label: 'Lobe outwards puts the top',
      initial: '',
      kind: 'choice',
      assumption: true,
      options: [
        { value: '', label: 'As its place says' },
        { value: 'topOut', label: 'Out' },
        { value: 'topIn', label: 'In' },
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
        ? 'stays where it is'
        : `${Math.abs(a.turnDeg).toFixed(0)}° ${a.towards}: top goes ${a.top}`;
    return {
      main: {
        label: a.towards === 'stays' ? 'The lobe stays' : `Turn the lobe ${a.towards}, both wheels`,
        shown: {
          number: Math.abs(a.turnDeg).toFixed(0),
          unit: '°',
          other: `to ${a.angleDeg.toFixed(0)}° from neutral`,
        },
      },
      figures: [
        { label: 'Camber then', shown: { number: sign(a.camberDeg), unit: '°' } },
        { label: 'The top of the wheel goes', shown: read.show.text(a.top) },
        { label: 'Reaches from, to', shown: read.show.text(`${sign(a.reach.minDeg)} to ${sign(a.reach.maxDeg)}`, '°') },
        { label: 'At neutral', shown: { number: sign(a.neutralDeg), unit: '°' } },
        { label: 'Missing', shown: { number: sign(a.missingDeg), unit: '°' } },
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
          label={`Eccentric of both wheels from the front: the lobe ${way}`}
        />
      ),
      summary: `Camber ${sign(nowDeg)}° to ${sign(a.camberDeg)}°: lobe ${way}${Math.abs(a.missingDeg) > 0.05 ? `, ${sign(a.missingDeg)}° not reached` : ''}`,
    };
  },
  sources: [
    { what: 'Change = authority × sin(angle from neutral)', where: 'geometry; the authority is the kit maker’s' },
    { what: 'Left and right from the driver’s seat, looking forward', where: 'common practice, no source' },
  ],
};

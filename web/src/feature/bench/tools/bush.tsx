import { bushFit } from '#core/bench/bush.ts';
import type { BenchTool } from '../bench-tool.ts';
import { BoreAndPin } from '../drawing/BoreAndPin.tsx';

const BECAUSE = {
  sheet: 'the kit’s sheet says so',
  bonded: 'the rubber is bonded and turns in itself',
  grips: 'the face must grip, or the rubber turns in itself',
  slides: 'polyurethane slides on its sleeve and squeaks dry',
};

/** Greased or dry: rubber and polyurethane bushes. */
export const BUSH: BenchTool = {
  id: 'bush',
  title: 'Bush: greased or dry',
  says: 'What a rubber or polyurethane bush wants, and what ruins it.',
  example: 'polyurethane bush grease',
  words: ['bush', 'bushing', 'polyurethane', 'rubber', 'grease', 'silicone', 'squeak'],
  takes: [],
  fields: [
    {
      key: 'material',
      label: 'Bush of',
      initial: 'polyurethane',
      kind: 'choice',
      options: [
        { value: 'rubber', label: 'Rubber' },
        { value: 'polyurethane', label: 'Polyurethane' },
      ],
    },
    {
      key: 'face',
      label: 'Its face',
      initial: 'slides',
      kind: 'choice',
      options: [
        { value: 'slides', label: 'Slides on a sleeve' },
        { value: 'grips', label: 'Must grip' },
        { value: 'bonded', label: 'Is bonded' },
      ],
    },
    {
      key: 'sheet',
      label: 'Sheet says',
      initial: '',
      kind: 'choice',
      options: [
        { value: '', label: 'Nothing' },
        { value: 'greased', label: 'Greased' },
        { value: 'dry', label: 'Dry' },
      ],
    },
  ],
  answer(read) {
    const { show } = read;
    const sheet = read.choice<'' | 'greased' | 'dry'>('sheet');
    const advice = bushFit(read.choice('material'), read.choice('face'), sheet === '' ? undefined : sheet);
    const greased = advice.lubricant === 'silicone';
    return {
      main: { label: 'Fit it', shown: show.text(greased ? 'Silicone grease' : 'Dry') },
      figures: [{ label: 'Because', shown: show.text(BECAUSE[advice.because]) }],
      remarks: advice.remarks,
      drawing: <BoreAndPin interferenceMm={greased ? -0.02 : 0.02} boreC={20} pinC={20} label="Bush and sleeve" />,
      summary: `${read.choice('material')} bush whose face ${read.choice('face')}: ${greased ? 'silicone grease' : 'dry'}, because ${BECAUSE[advice.because]}`,
    };
  },
  sources: [
    {
      what: 'Greased where it slides, dry where it grips, by sheet first',
      where: 'the trade’s two schools; common practice, no source',
    },
  ],
};

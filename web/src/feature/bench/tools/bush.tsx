import { say } from '#contract/wording/say.ts';
import { bushFit } from '#core/bench/bush.ts';
import type { BenchTool } from '../bench-tool.ts';
import { BoreAndPin } from '../drawing/BoreAndPin.tsx';

const BECAUSE = {
  sheet: say('the kit’s sheet says so'),
  bonded: say('the rubber is bonded and turns in itself'),
  grips: say('the face must grip, or the rubber turns in itself'),
  slides: say('polyurethane slides on its sleeve and squeaks dry'),
};

/** Greased or dry: rubber and polyurethane bushes. */
export const BUSH: BenchTool = {
  id: 'bush',
  title: say('Bush: greased or dry'),
  says: say('What a rubber or polyurethane bush wants, and what ruins it.'),
  example: 'polyurethane bush grease',
  words: ['bush', 'bushing', 'polyurethane', 'rubber', 'grease', 'silicone', 'squeak'],
  takes: [],
  fields: [
    {
      key: 'material',
      label: say('Bush of'),
      initial: 'polyurethane',
      kind: 'choice',
      options: [
        { value: 'rubber', label: say('Rubber') },
        { value: 'polyurethane', label: say('Polyurethane') },
      ],
    },
    {
      key: 'face',
      label: say('Its face'),
      initial: 'slides',
      kind: 'choice',
      options: [
        { value: 'slides', label: say('Slides on a sleeve') },
        { value: 'grips', label: say('Must grip') },
        { value: 'bonded', label: say('Is bonded') },
      ],
    },
    {
      key: 'sheet',
      label: say('Sheet says'),
      initial: '',
      kind: 'choice',
      options: [
        { value: '', label: say('Nothing') },
        { value: 'greased', label: say('Greased') },
        { value: 'dry', label: say('Dry') },
      ],
    },
  ],
  answer(read) {
    const { show } = read;
    const sheet = read.choice<'' | 'greased' | 'dry'>('sheet');
    const advice = bushFit(read.choice('material'), read.choice('face'), sheet === '' ? undefined : sheet);
    const greased = advice.lubricant === 'silicone';
    return {
      main: { label: say('Fit it'), shown: show.text(greased ? 'Silicone grease' : 'Dry') },
      figures: [{ label: say('Because'), shown: show.text(BECAUSE[advice.because]) }],
      remarks: advice.remarks,
      drawing: (
        <BoreAndPin interferenceMm={greased ? -0.02 : 0.02} boreC={20} pinC={20} label={say('Bush and sleeve')} />
      ),
      summary: say('{choice} bush whose face {choice2}: {which}, because {because}', {
        choice: read.choice('material'),
        choice2: read.choice('face'),
        which: greased ? say('silicone grease') : 'dry',
        because: BECAUSE[advice.because],
      }),
    };
  },
  sources: [
    {
      what: say('Greased where it slides, dry where it grips, by sheet first'),
      where: say('the trade’s two schools; common practice, no source'),
    },
  ],
};

import { must } from '#contract/calc/joint-input.ts';
import { say } from '#contract/wording/say.ts';
import { beadFor } from '#core/bench/bead.ts';
import { written } from '#core/quantity/display.ts';
import type { BenchTool } from '../bench-tool.ts';
import { BeadOnBolt } from '../drawing/BeadOnBolt.tsx';
import { threeFigures } from '../show-figure.ts';
import { threadField, yesNo } from './joint-fields.ts';

/** How much compound a thread wants. */
export const BEAD: BenchTool = {
  id: 'bead',
  title: say('How much compound'),
  says: say('Millilitres and drops per thread from its geometry, and what a blind hole takes.'),
  example: 'bead m10 12',
  words: ['bead', 'volume', 'drops', 'drop', 'amount', 'ml', 'how much', 'blind'],
  takes: ['length', 'count'],
  fields: [
    threadField,
    { key: 'length', label: say('Thread in mesh'), initial: '10', kind: 'number', unit: 'mm' },
    { key: 'blind', label: say('Blind hole'), initial: 'no', kind: 'choice', options: yesNo },
    {
      key: 'end',
      label: say('Free below the bolt'),
      initial: '5',
      kind: 'number',
      unit: 'mm',
      when: (values) => values.blind === 'yes',
    },
    { key: 'count', label: say('Threads'), initial: '1', kind: 'number' },
    {
      key: 'product',
      label: say('Product'),
      initial: 'medium',
      kind: 'choice',
      options: [
        { value: 'medium', label: say('Medium locker') },
        { value: 'high', label: say('High strength locker') },
        { value: 'antiseize', label: say('Anti-seize') },
      ],
    },
  ],
  answer(read) {
    const { show } = read;
    const thread = read.thread();
    const length = read.number('length', 0.5, 300);
    const blind = read.yes('blind');
    const count = Math.round(read.number('count', 1, 10_000));
    const bead = beadFor(thread, length, blind ? read.number('end', 0, 200) : undefined, count);
    const b = must(bead, !bead.ok && bead.error.field !== 'thread' ? 'length' : undefined);
    const tint = { medium: 'var(--medium)', high: 'var(--bad)', antiseize: '#a9642c' }[
      read.choice<'medium' | 'high' | 'antiseize'>('product')
    ];
    const drops =
      b.drops === 0
        ? { number: say('less than a drop') }
        : { number: String(b.drops), unit: b.drops === 1 ? 'drop' : 'drops' };
    return {
      main: { label: say('Put on each thread'), shown: show.text(drops.number, drops.unit) },
      figures: [
        { label: say('Each'), shown: show.text(b.beadMl.toFixed(3), 'mL') },
        { label: say('Fills the gap of'), shown: show.text(b.gapMl.toFixed(3), 'mL') },
        { label: say('For {count}', { count }), shown: show.volume(b.totalMl) },
        ...(b.mostMl === undefined ? [] : [{ label: say('At most'), shown: show.text(b.mostMl.toFixed(3), 'mL') }]),
      ],
      remarks: b.remarks,
      drawing: (
        <BeadOnBolt
          diameterMm={thread.nominalMm}
          engagedMm={length}
          tint={tint}
          blind={blind}
          label={say('Bead on {designation}', { designation: thread.designation })}
        />
      ),
      summary: say(
        '{designation}, {threeFigures} mm in mesh{which}: {value}, {beadMl} mL each, {totalMl} mL for {count}',
        {
          designation: thread.designation,
          threeFigures: threeFigures(length),
          which: blind ? say(', blind') : '',
          value: [drops.number, drops.unit].filter(Boolean).join(' '),
          beadMl: written(b.beadMl, 3),
          totalMl: written(b.totalMl, 2),
          count,
        },
      ),
    };
  },
  sources: [
    { what: say('Space between the threads at the middle of their limits'), where: 'ISO 68-1, ISO 965-1, ASME B1.1' },
    {
      what: say('Half as much again, 0.05 mL a drop'),
      where: say('chosen by us; 20 drops to the millilitre: common practice'),
    },
  ],
};

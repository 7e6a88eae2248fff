import { describe, expect, it } from '@jest/globals';
import { generalCharts } from './general-chart.ts';
import { pageFurniture } from './page-furniture.ts';
import { readSheet } from './read-sheet.ts';

const targets = (text: string) =>
  readSheet(text).facts.flatMap(({ value }) => (value.kind === 'torque' ? [Math.round(value.max)] : []));

const CHART = `General torque chart (use only where no figure is given in the text)
  Size     Gr 5 dry    Gr 8 dry
  5/16     17 lb-ft    24 lb-ft
  3/8      31 lb-ft    44 lb-ft
`;

describe('a chart of sizes in general', () => {
  it('is no joint of the kit', () => {
    expect(targets(`${CHART}\n1 Torque leg bolts to 52 lb-ft.`)).toEqual([52]);
    expect(readSheet(CHART).steps.every(({ list }) => list === 'chart')).toBe(true);
  });
  it('is what the work is tightened to where a step sends its reader there', () => {
    expect(generalCharts(`${CHART}\n1 Tighten all bolts, see chart.`)).toEqual([]);
  });
  it('ends with its rows, and one row is no chart', () => {
    const [chart, more] = generalCharts(`${CHART}\n\nFit the bar. M10 47 Nm.`);
    expect(more).toBeUndefined();
    expect(chart?.end).toBe(CHART.trimEnd().length);
    expect(generalCharts('General torques\nM8 25 Nm\n\nFit it.')).toEqual([]);
  });
});

describe('what a page carries around the work', () => {
  const page = `Home > Garage > Articles
Step 1
Tighten the four screws to 8 Nm.

Comments (2)
mike: I did mine to 12 Nm and nothing happened
You may also like: wrench 5-25 Nm`;
  it('is no fact of the sheet; its torques are shown as another’s', () => {
    expect(targets(page)).toEqual([8]);
    expect(readSheet(page).facts.filter(({ value }) => value.kind === 'torqueAside').length).toBeGreaterThan(0);
  });
  it('needs two signs that it is a page: a heading alone is paper', () => {
    expect(pageFurniture('Comments\nTighten to 8 Nm.')).toEqual([]);
    expect(targets('Comments\nTighten the M6 bolts to 8 Nm.')).toEqual([8]);
  });
});

describe('figures that are no joint’s', () => {
  it.each([
    ['In 14-A the leg bolts were given as 45 lb-ft. Torque the leg bolts to 52 lb-ft.', [52]],
    ['In 14-A they were given as 45 lb-ft. This has been revised to 52 lb-ft. Torque leg bolts to 52 lb-ft.', [52]],
    ['Rivet nuts spin out at roughly 35 Nm. Tighten the bolts to 20 Nm.', [20]],
    ['Sill bolts (9 Nm) need not be touched. Tighten the bolts to 20 Nm.', [20]],
    ['Torque the new bolt to 80 Nm. Do not simply turn the old bolt on from 72 Nm.', [80]],
    ['The bush has a rate of 3.1 Nm per degree. Bush bolt 95 Nm.', [95]],
    ['Bush bolt 95 Nm. The wrench’s paper: at 100 Nm it may be out by 4 %.', [95]],
    ['Tighten the bolts to 20 Nm. One that turns before 15 Nm comes out.', [20]],
  ])('%s', (text, wanted) => expect(targets(text)).toEqual(wanted));
  it('what pulls the insert through is an end', () => {
    const [value] = readSheet('Tighten to 8 Nm. The panel is thin, 10 Nm will pull the insert through.').facts.flatMap(
      ({ value }) => (value.kind === 'torque' ? [value] : []),
    );
    expect(value).toMatchObject({ max: 8, limitNm: 10 });
  });
});

describe('units that are said once', () => {
  it('`all N·m` over a list heads its column, uneven tolerances and all', () => {
    const list = `TORQUE LIST   ladder rack     all N·m

pos  joint                        thread    torque
01   rail foot to bed, 6x         M8        24
10   stop bolt                    M10       35 -0/+5`;
    const values = readSheet(list).facts.flatMap(({ value }) =>
      value.kind === 'torque' ? [[value.min, value.max]] : [],
    );
    expect(values).toEqual([
      [24, 24],
      [35, 40],
    ]);
  });
  it('`23 + quarter turn` of a chat has the unit of the figure before it, and is doubted', () => {
    const [, turned] = readSheet('v-band clamp 12 Nm.\nstuds 23 + quarter turn.').facts.filter(
      ({ value }) => value.kind === 'torque',
    );
    expect(turned).toMatchObject({ value: { max: 23, unit: 'N·m', angleDeg: 90 }, confidence: 0.7 });
  });
});

import { describe, expect, it } from '@jest/globals';
import { renderToStaticMarkup } from 'react-dom/server';
import { CalcRefusal } from '#contract/calc/joint-input.ts';
import { remarkText } from '#contract/wording/remark-text.ts';
import { remarkTone } from '#core/bench/remark.ts';
import type { Values } from './bench-field.ts';
import { linkTo, valuesFrom } from './bench-link.ts';
import { BenchReader } from './bench-reader.ts';
import type { BenchTool } from './bench-tool.ts';
import { readQuery } from './read-query.ts';
import { figuresIn, figureWriter, inLine, threeFigures } from './show-figure.ts';
import { BENCH_TOOLS } from './tools/all-tools.ts';

const answer = (tool: BenchTool, values: Values = {}, system: 'metric' | 'inch' = 'metric') =>
  tool.answer(new BenchReader(tool.fields, values, figuresIn(system)));
const remarks = (tool: BenchTool, values: Values = {}) =>
  answer(tool, values).remarks.map((remark) => ({
    tone: remarkTone(remark),
    text: remarkText(remark, figureWriter(figuresIn('metric'))),
  }));
const byId = (id: string) => BENCH_TOOLS.find((tool) => tool.id === id) as BenchTool;
const refusal = (id: string, values: Values) => {
  try {
    answer(byId(id), values);
    return undefined;
  } catch (error) {
    return error instanceof CalcRefusal ? error.fault : error;
  }
};

describe.each(BENCH_TOOLS.map((tool) => [tool.id, tool] as const))('the tool %s', (_, tool) => {
  it.each(['metric', 'inch'] as const)('answers as it is first opened, %s', (system) => {
    const shown = answer(tool, {}, system);
    expect(shown.main.shown.number).not.toBe('');
    expect(shown.summary.length).toBeGreaterThan(10);
    expect(shown.summary.length).toBeLessThanOrEqual(500);
    const text = renderToStaticMarkup(shown.drawing) + renderToStaticMarkup(shown.chart ?? '');
    expect(text).toContain('<svg');
    expect(`${text}${JSON.stringify([shown.main, shown.figures, shown.table])}`).not.toMatch(/NaN|undefined|Infinity/);
  });
  it('is found by its example, and says where its figures come from', () => {
    expect(readQuery(tool.example, BENCH_TOOLS)[0]?.tool.id).toBe(tool.id);
    expect(tool.sources.length).toBeGreaterThan(0);
  });
  it('stands in its address: there and back is the same', () => {
    const values = Object.fromEntries(
      tool.fields.map((field) => [field.key, field.kind === 'number' ? '7.5' : field.initial]),
    );
    const address = linkTo(tool, values);
    const back = valuesFrom(tool, new URLSearchParams(address.split('?')[1] ?? ''));
    for (const field of tool.fields) expect(back[field.key] ?? field.initial).toBe(values[field.key]);
  });
  it('refuses nonsense in any number by that field’s name', () => {
    for (const field of tool.fields) {
      if (field.kind !== 'number' || field.when) continue;
      const fault = refusal(tool.id, { [field.key]: 'spanner' });
      expect(fault).toMatchObject({ field: field.key });
    }
  });
});

describe('what a typed line means', () => {
  const first = (text: string) => {
    const [best] = readQuery(text, BENCH_TOOLS);
    return best && { id: best.tool.id, ...best.values };
  };
  it.each([
    ['m10 8.8', { id: 'torque', thread: 'M10', class: '8.8' }],
    ['90 ft-lb in nm', { id: 'convert', text: '90 ft-lb', to: 'N·m' }],
    ['80-100 in-lb to nm', { id: 'convert', text: '80-100 in-lb', to: 'N·m' }],
    ['crowfoot 50', { id: 'adapter', offset: '50' }],
    ['spacer 25', { id: 'stud', spacer: '25' }],
    ['which drill 3/8-16', { id: 'drill', thread: '3/8-16' }],
    ['m10 49 nm dry to anti-seize', { id: 'finish', thread: 'M10', torque: '49 nm', from: 'dry', to: 'antiSeize' }],
    ['engagement m8 aluminium 12 mm', { id: 'engagement', thread: 'M8', material: 'aluminium', depth: '12 mm' }],
    ['cure 8 c stainless', { id: 'cure', temperature: '8 c', substrate: 'stainless' }],
    ['1/2-13 grade 8', { id: 'torque', thread: '1/2-13', class: 'grade 8' }],
    ['M12 x 1.25', { id: 'parts', thread: 'M12 x 1.25' }],
    ['arm 380 to 386', { id: 'adjuster', now: '380', target: '386' }],
  ])('%s', (text, meant) => expect(first(text)).toMatchObject(meant));
  it('says nothing to nothing, and nothing to what it does not know', () => {
    expect(readQuery('   ', BENCH_TOOLS)).toEqual([]);
    expect(readQuery('qqqq', BENCH_TOOLS)).toEqual([]);
  });
});

describe('what the tools say', () => {
  it('torque and preload: M10 8.8 oiled takes 48.5 N·m', () => {
    expect(answer(byId('torque')).main.shown).toMatchObject({ number: '48.5', unit: 'N·m', other: '35.7 lbf·ft' });
    expect(answer(byId('torque'), {}, 'inch').main.shown).toMatchObject({ number: '35.7', unit: 'lbf·ft' });
  });
  it('a bolt driven past yield is said in red (M06)', () =>
    expect(remarks(byId('torque'), { torque: '110 ft-lb' })[0]).toMatchObject({ tone: 'bad' }));
  it('a class of the other system gives way with the thread', () =>
    expect(answer(byId('torque'), { thread: '3/8-16' }).summary).toContain('grade 5'));
  it('too short a thread is refused by limits, with the missing length', () =>
    expect(remarks(byId('engagement'), { depth: '10' })[0]).toMatchObject({
      tone: 'bad',
      text: expect.stringContaining('2.41 mm'),
    }));
  it('two wrenches in line have no setting', () =>
    expect(refusal('adapter', { second: 'yes' })).toMatchObject({ field: 'second' }));
  it('no value is proposed for brakes, and the job may not take one', () => {
    const brakes = answer(byId('value'), { tag: 'brake' });
    expect(brakes.main.shown.number).toBe('–');
    expect(brakes.refusedForJob).toBeDefined();
    expect(answer(byId('value'), { tag: 'brake', makerNm: '120' }).main).toMatchObject({
      label: 'The vehicle maker’s manual',
    });
  });
  it('a castle nut over its ceiling wants a new nut, never less torque', () => {
    expect(refusal('slot', { torque: '70', ceiling: '61' })).toMatchObject({ field: 'torque' });
    expect(remarks(byId('slot'), { measured: '30' })[0]?.text).toContain('shim');
  });
  it('a drill below the bolt passes nothing (M04)', () =>
    expect(remarks(byId('drill'), { purpose: 'clearance', have: '8' })[0]).toMatchObject({ tone: 'bad' }));
  it('a washer over aluminium spreads the load (VDI 2230-1: 191, not 363 N/mm²), and without it the head sinks', () => {
    const pressed = (values: Record<string, string>) =>
      answer(byId('torque'), { part: 'aluminium', ...values }).figures.find(({ label }) => label.startsWith('Presses'))
        ?.shown.number;
    expect([pressed({ washer: 'ISO 7089' }), pressed({})]).toEqual(['191', '405']);
    expect(remarks(byId('torque'), { part: 'aluminium' })).toContainEqual({
      tone: 'bad',
      text: expect.stringContaining('aluminium bears about 290 N/mm²'),
    });
    expect(refusal('torque', { washer: 'ISO 7089', head: 'ISO 10642' })).toMatchObject({ field: 'washer' });
  });
  it.each(['torque', 'finish'])('%s: a torque the locking nut alone takes up is refused at the torque', (tool) =>
    expect(refusal(tool, { torque: '4', prevailing: '6' })).toMatchObject({ field: 'torque' }),
  );
  it('hand strength after full cure is refused at its field', () =>
    expect(refusal('cure', { window: '5', fixture: '180', full: '2' })).toMatchObject({ field: 'full' }));
  it('a joint at work says what fails first, and what is asked of it', () => {
    expect(remarks(byId('load'), {})[0]).toMatchObject({ tone: 'good' });
    expect(remarks(byId('load'), { axial: '30 kN' })[0]?.text).toContain('come off one another');
    expect(remarks(byId('load'), { shear: '5000' })[0]?.text).toContain('The parts slip');
    expect(remarks(byId('load'), { shear: '5000', faces: '4', slip: '0.4' })[0]).toMatchObject({ tone: 'good' });
    expect(refusal('load', { least: '9000' })).toMatchObject({ field: 'least' });
  });
  it('what it was set to through a crow-foot gives what the fastener got', () =>
    expect(remarks(byId('adapter'), { set: '60' })[0]?.text).toContain('67 N·m'));
  it('a coefficient goes before the finish', () => {
    const now = answer(byId('finish'), { fromMu: '0.16', toMu: '0.1' });
    expect(now.summary).toContain('µ 0.1');
    expect(now.figures[2]?.shown.number).toBe(answer(byId('finish'), {}).figures[2]?.shown.number);
  });
  it('a pipe thread is no bolt, and a thread of the other hand is said', () => {
    expect(answer(byId('identify'), { major: '9.7', pitch: '1/28 in' }).main).toMatchObject({
      label: 'A pipe thread, no bolt',
    });
    expect(remarks(byId('parts'), { thread: 'M12 LH' })[0]?.text).toContain('tightened to the left');
  });
  it('a chilled pin counts its seconds too', () => {
    const seconds = (values: Record<string, string>) =>
      Number(answer(byId('fit'), values).figures.find(({ label }) => label.includes('touch'))?.shown.number);
    expect(seconds({ chilled: '-190', slip: '0' })).toBeGreaterThan(0);
    expect(seconds({ chilled: '-60' })).toBeGreaterThan(0);
  });
  it('tolerances, bounds and cold are converted as they are printed', () => {
    expect(answer(byId('convert'), { text: '100 ± 5 Nm', to: 'lbf·ft' }).main.shown.number).toBe('73.8 (70.1 – 77.4)');
    expect(answer(byId('convert'), { text: 'max 83 Nm', to: 'lbf·ft' }).main.shown.number).toBe('≤ 61.2');
    expect(answer(byId('convert'), { text: '-40 °C' }).main.shown).toMatchObject({ number: '-40', unit: '°F' });
    expect(refusal('convert', { text: '-500 °C' })).toMatchObject({ field: 'text' });
  });
  it('a number field says what it wants, in its unit, with an example', () =>
    expect(refusal('stud', { stud: '' })).toMatchObject({ reason: 'must be a number in mm, such as 44' }));
  it('a number may carry its own unit', () =>
    expect(answer(byId('stud'), { spacer: '1 in' }).summary).toContain('25.4 mm'));
});

describe('figures', () => {
  it.each([
    [1234.5, '1235'],
    [123.45, '123'],
    [12.345, '12.3'],
    [0.012345, '0.0123'],
    [0, '0'],
  ])('%d is shown %s', (value, text) => expect(threeFigures(value)).toBe(text));
  it('stand in both systems', () => {
    expect(inLine(figuresIn('metric').torque(62))).toBe('62 N·m (45.7 lbf·ft)');
    expect(inLine(figuresIn('inch').length(25.4))).toBe('1 in (25.4 mm)');
    expect(figuresIn('metric').duration(200)).toEqual({ number: '3:20', unit: 'h' });
  });
});

import { describe, expect, it } from '@jest/globals';
import { mapBox } from '#core/kit/map-box.ts';
import { DEMO_KITS } from '#demo/kits.ts';
import { drawingFaultText, readHoles, writeDxf, writeSvg } from './bolt-map-file.ts';
import { LARGEST_DRAWING } from './dxf-drawing.ts';

const kit = DEMO_KITS[0];
const group = kit?.groups[0];
if (!kit || !group) throw new Error('no demo kit');

describe('bolt maps as drawings', () => {
  it('a map written as DXF gives its holes back where they were, to the same distances', () => {
    const read = readHoles(writeDxf(group, kit.stations), 0);
    if (!read.ok) throw new Error(read.error.code);
    const stations = group.stations.flatMap((id) => kit.stations.find((station) => station.id === id) ?? []);
    const [left, top] = [Math.min(...stations.map((s) => s.xMm)), Math.min(...stations.map((s) => s.yMm))];
    expect(read.value.map(({ xMm, yMm }) => [xMm, yMm])).toEqual(stations.map((s) => [s.xMm - left, s.yMm - top]));
  });
  it('reads inches as inches', () => {
    const dxf = [
      '0',
      'SECTION',
      '2',
      'HEADER',
      '9',
      '$INSUNITS',
      '70',
      '1',
      '0',
      'ENDSEC',
      '0',
      'SECTION',
      '2',
      'ENTITIES',
      '0',
      'CIRCLE',
      '8',
      '0',
      '10',
      '0',
      '20',
      '0',
      '40',
      '0.25',
      '0',
      'CIRCLE',
      '8',
      '0',
      '10',
      '2',
      '20',
      '0',
      '40',
      '0.25',
      '0',
      'ENDSEC',
      '0',
      'EOF',
    ].join('\n');
    expect(readHoles(dxf, 0)).toEqual({
      ok: true,
      value: [
        { xMm: 0, yMm: 0, diameterMm: 12.7 },
        { xMm: 50.8, yMm: 0, diameterMm: 12.7 },
      ],
    });
  });
  it.each([
    ['notDxf', 'MZ\u0000\u0001binary'],
    ['notDxf', '<svg onload="alert(1)"/>'],
    ['noCircles', ['0', 'SECTION', '2', 'ENTITIES', '0', 'ENDSEC', '0', 'EOF'].join('\n')],
    ['tooLarge', 'x'.repeat(LARGEST_DRAWING + 1)],
  ] as const)('refuses: %s', (code, text) => {
    const read = readHoles(text);
    if (read.ok) throw new Error('taken');
    expect(read.error.code).toBe(code);
    expect(drawingFaultText(read.error)).toMatch(/\.$/);
  });
  it('writes an SVG in true size in which a hostile label is only text', () => {
    const hostile = kit.stations.map((station) => ({ ...station, label: '<script>' }));
    const svg = writeSvg(group, hostile);
    expect(svg).toContain(
      `width="${
        mapBox(
          group.map,
          kit.stations.filter((station) => group.stations.includes(station.id)),
        ).widthMm
      }mm"`,
    );
    expect(svg).not.toContain('<script');
    expect(svg.match(/<circle/g)?.length).toBeGreaterThanOrEqual(group.stations.length);
  });
});

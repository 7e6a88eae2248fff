import { describe, expect, it } from '@jest/globals';
import { DxfWriter, point3d, Units } from '@tarikjabiri/dxf';
import { outlineFaultText, outlineOf, readOutlineDxf } from './outline-file.ts';

/** A bracket of 100 × 60 with a hole, drawn with another program's library. */
function drawing(units: Units, scale = 1): string {
  const dxf = new DxfWriter();
  dxf.setUnits(units);
  const corners = [
    [0, 0],
    [100, 0],
    [100, 60],
    [0, 60],
  ];
  dxf.addLWPolyline(
    corners.map(([x = 0, y = 0]) => ({ point: { x: x * scale, y: y * scale } })),
    { flags: 1 },
  );
  dxf.addLWPolyline(
    [
      [40, 20],
      [60, 20],
      [60, 30],
    ].map(([x = 0, y = 0]) => ({ point: { x: x * scale, y: y * scale } })),
    { flags: 1 },
  );
  dxf.addCircle(point3d(20 * scale, 30 * scale), 5.5 * scale);
  return dxf.stringify();
}

describe('the outline of a part from a drawing', () => {
  it('is its largest closed figure, its circles the holes, y growing downwards', () => {
    const read = readOutlineDxf(drawing(Units.Millimeters));
    expect(read).toEqual({
      ok: true,
      value: {
        points: [
          [0, -0],
          [100, -0],
          [100, -60],
          [0, -60],
        ],
        holes: [{ xMm: 20, yMm: -30, acrossMm: 11 }],
      },
    });
  });

  it('is in millimetres whatever the drawing is in', () => {
    const read = readOutlineDxf(drawing(Units.Inches, 1 / 25.4));
    expect(read.ok && read.value.points.map(([x, y]) => [Math.round(x), Math.round(y)])).toEqual([
      [0, -0],
      [100, -0],
      [100, -60],
      [0, -60],
    ]);
  });

  it('says what is wrong with a drawing that has none', () => {
    const told = (text: string) => {
      const read = readOutlineDxf(text);
      return read.ok ? '' : outlineFaultText(read.error);
    };
    const empty = new DxfWriter();
    empty.addCircle(point3d(0, 0), 5);
    expect(told(empty.stringify())).toContain('no closed figure');
    expect(told('what is this')).toContain('cannot be read');
    expect(told('x'.repeat(9 * 1024 * 1024))).toContain('9 MB');
    const many = Array.from({ length: 500 }, (_, at): [number, number] => [
      100 * Math.cos((at * Math.PI) / 250),
      100 * Math.sin((at * Math.PI) / 250),
    ]);
    const read = outlineOf([many], []);
    expect(read.ok ? '' : outlineFaultText(read.error)).toContain('500 corners');
  });
});

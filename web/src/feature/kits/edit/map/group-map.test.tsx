import '@testing-library/jest-dom/jest-globals';
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { act, cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { writeDxf } from '#contract/bolt-map-file.ts';
import type { JointGroup, KitDocument, Station } from '#core/kit/kit-document.ts';
import { TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { useEditor } from '../editor-store.ts';
import { MapEditor } from './MapEditor.tsx';

beforeEach(() => localStorage.clear());
afterEach(cleanup);

const LIKE = TRANSFER_CASE_GUARD.stations[0] as Station;
const at = (id: string, xMm: number, yMm: number): Station => ({ ...LIKE, id, label: id.slice(1), xMm, yMm });
const STATIONS = [at('s1', 100, 100), at('s2', 300, 120), at('s3', 200, 250)];
const GROUP: JointGroup = {
  id: 'g',
  title: 'Plate',
  stations: STATIONS.map(({ id }) => id),
  map: { title: 'Plate', note: '', widthMm: 600, heightMm: 400, shapes: [] },
};
const kit = (): KitDocument => useEditor.getState().kit as KitDocument;
const places = () => kit().stations.map(({ xMm, yMm }) => [xMm, yMm]);
function map(over: Partial<KitDocument> = {}) {
  const document = structuredClone({ ...TRANSFER_CASE_GUARD, groups: [GROUP], stations: STATIONS, ...over });
  useEditor.setState({ kit: document, save: 'saved', version: 1, checked: undefined });
  useEditor.temporal.getState().clear();
  render(<MapEditor />);
  const user = userEvent.setup();
  const sheet = () => screen.getByRole('group', { name: /^Bolt map of/ });
  const press = async (keys: string) => {
    act(() => sheet().focus());
    await user.keyboard(keys);
  };
  const choose = async (label: string) => {
    act(() => screen.getByRole('button', { name: new RegExp(`^Station ${label},`) }).focus());
    await user.keyboard('{Enter}');
  };
  const retype = async (label: string, text: string) => {
    await user.clear(screen.getByLabelText(label));
    await user.type(screen.getByLabelText(label), text);
    await user.tab();
  };
  const tray = (name: string) => user.click(screen.getByRole('button', { name }));
  const read = (label: string, text: string, name: string, type: string) =>
    user.upload(screen.getByLabelText(label, { selector: 'input' }), new File([text], name, { type }));
  return { user, press, choose, retype, tray, read };
}
const chosen = () =>
  screen.queryAllByRole('button', { pressed: true }).map((entry) => entry.getAttribute('aria-label')?.slice(8, 9));

describe('the bolt map in the editor', () => {
  it('without a group says what one is for, and begins one', async () => {
    const { user, tray } = map({ groups: [], stations: [] });
    expect(screen.getByText(/A group is what is tightened together/)).toBeVisible();
    await user.click(screen.getByRole('button', { name: 'Add a group' }));
    await tray('Sheet and drawings');
    expect(screen.getByRole('button', { name: 'DXF out' })).toBeDisabled();
    await tray('Bolts');
    await user.selectOptions(screen.getByLabelText('How'), 'in the middle');
    await user.click(screen.getByRole('button', { name: 'Put 1 new' }));
    expect(kit().groups[0]?.stations).toHaveLength(1);
    expect(kit().stations).toMatchObject([{ xMm: 300, yMm: 200 }]);
  });
  it('moves what is chosen with the arrows, by ten with Shift, each move taken back on its own', async () => {
    const { press, choose } = map();
    await choose('1');
    expect(chosen()).toEqual(['1']);
    await press('{ArrowRight}{Shift>}{ArrowDown}{/Shift}');
    expect(places()[0]).toEqual([101, 110]);
    expect(places().slice(1)).toEqual([
      [300, 120],
      [200, 250],
    ]);
    act(() => useEditor.temporal.getState().undo());
    expect(places()[0]).toEqual([101, 100]);
  });
  it('chooses all with Ctrl A and none with Escape; then arrows move nothing', async () => {
    const { press } = map();
    await press('{Control>}a{/Control}');
    expect(chosen()).toEqual(['1', '2', '3']);
    await press('{Escape}{ArrowLeft}');
    expect(chosen()).toEqual([]);
    expect(places()[0]).toEqual([100, 100]);
  });
  it('puts what is chosen level or plumb with the first of them, and three evenly', async () => {
    const { user, press, choose } = map();
    await choose('1');
    // One alone is level with nothing.
    expect(within(screen.getByLabelText('How')).queryByText(/level with/)).toBeNull();
    await press('{Control>}a{/Control}');
    await user.selectOptions(screen.getByLabelText('How'), 'level with station 1');
    await user.click(screen.getByRole('button', { name: 'Put the 3' }));
    expect(places().map(([, y]) => y)).toEqual([100, 100, 100]);
    await user.selectOptions(screen.getByLabelText('How'), 'evenly across, the outer ones stay');
    await user.click(screen.getByRole('button', { name: 'Put the 3' }));
    expect(places().map(([x]) => x)).toEqual([100, 300, 200]);
    await user.selectOptions(screen.getByLabelText('How'), 'plumb with station 1');
    await user.click(screen.getByRole('button', { name: 'Put the 3' }));
    expect(places().map(([x]) => x)).toEqual([100, 100, 100]);
  });
  it('puts what is chosen on the other side of the centre line too', async () => {
    const { user, choose, press } = map();
    await choose('1');
    await user.click(screen.getByRole('button', { name: 'Station 1 on the other side too' }));
    expect(kit().stations).toHaveLength(4);
    expect(places()[3]).toEqual([500, 100]);
    // What sits on the line has no other side.
    await choose('2');
    expect(screen.queryByRole('button', { name: /on the other side/ })).toBeNull();
    await press('{Escape}');
    expect(screen.queryByRole('button', { name: /on the other side/ })).toBeNull();
  });
  it('measures from the centre line or from another station', async () => {
    const { user, choose, retype } = map();
    await choose('1');
    expect(screen.getByLabelText('Across, mm or in')).toHaveValue('100');
    await user.selectOptions(screen.getByLabelText('Measured from'), 'the centre line');
    expect(screen.getByLabelText('Across, mm or in')).toHaveValue('-200');
    await retype('Across, mm or in', '-150');
    expect(places()[0]).toEqual([150, 100]);
    await user.selectOptions(screen.getByLabelText('Measured from'), 'station 3');
    expect(screen.getByLabelText('Down, mm or in')).toHaveValue('-150');
    await retype('Down, mm or in', '50');
    expect(places()[0]).toEqual([150, 300]);
  });
  it('puts the chosen where it is typed, in inches too, and says what it cannot read', async () => {
    const { choose, retype, press } = map();
    await choose('2');
    await retype('Across, mm or in', '4 in');
    expect(places()[1]?.[0]).toBeCloseTo(101.6, 6);
    await retype('Down, mm or in', 'left');
    expect(screen.getByText('mm, or 4 3/4 in')).toBeVisible();
    expect(places()[1]?.[1]).toBe(120);
    await press('{Control>}a{/Control}');
    expect(screen.getByLabelText('Across, mm or in')).toHaveValue('');
  });
  it('lays new stations out on a bolt circle about the middle', async () => {
    const { user, retype } = map();
    await retype('Diameter', '120');
    await retype('Count', '6');
    await user.click(screen.getByRole('button', { name: 'Put 6 new' }));
    const made = kit().stations.slice(3);
    expect(made).toHaveLength(6);
    for (const { xMm, yMm } of made) expect(Math.hypot(xMm - 300, yMm - 200)).toBeCloseTo(60, 1);
    // Neighbours on a hexagon lie one radius apart.
    const [first, second] = made as [Station, Station];
    expect(Math.hypot(first.xMm - second.xMm, first.yMm - second.yMm)).toBeCloseTo(60, 1);
    expect(new Set(kit().stations.map(({ label }) => label)).size).toBe(9);
  });
  it('puts the chosen in a sloping row about their own middle', async () => {
    const { user, press, retype } = map();
    await press('{Control>}a{/Control}');
    await user.selectOptions(screen.getByLabelText('How'), 'in a row');
    await retype('Apart', '4 in');
    await retype('Slope, °', '90');
    await user.click(screen.getByRole('button', { name: 'Put the 3' }));
    expect(places().map(([x]) => Math.round(x as number))).toEqual([200, 200, 200]);
    const downs = places().map(([, y]) => y as number);
    expect((downs[1] ?? 0) - (downs[0] ?? 0)).toBeCloseTo(101.6, 2);
    expect(downs[1]).toBeCloseTo(175, 2);
  });
  it('lays a grid out in whole columns', async () => {
    const { user, retype } = map();
    await user.selectOptions(screen.getByLabelText('How'), 'in a grid');
    await retype('Columns', '2.5');
    expect(screen.getByText('1 to 200.')).toBeVisible();
    await retype('Columns', '2');
    await retype('Count', '0');
    expect(screen.getByText('1 to 200.')).toBeVisible();
    await retype('Count', '4');
    await user.click(screen.getByRole('button', { name: 'Put 4 new' }));
    const [a, b, c, d] = kit().stations.slice(3) as [Station, Station, Station, Station];
    expect([b.xMm - a.xMm, b.yMm - a.yMm]).toEqual([60, 0]);
    expect([c.xMm - a.xMm, c.yMm - a.yMm]).toEqual([0, 60]);
    expect([d.xMm - a.xMm, d.yMm - a.yMm]).toEqual([60, 60]);
  });
  it('takes an outline in hand, by figures and by arrows, and away again', async () => {
    const { user, tray, retype, press } = map();
    await tray('Outlines');
    await user.click(screen.getByRole('button', { name: 'Add a rectangle' }));
    expect(kit().groups[0]?.map.shapes).toEqual([
      { kind: 'rect', xMm: 20, yMm: 20, widthMm: 560, heightMm: 360, tone: 'part' },
    ]);
    await retype('Wide', '10 in');
    await retype('Label', 'Plate');
    await press('{ArrowRight}{Shift>}{ArrowDown}{/Shift}');
    expect(kit().groups[0]?.map.shapes).toMatchObject([{ xMm: 21, yMm: 30, widthMm: 254, label: 'Plate' }]);
    expect(screen.getByLabelText('Outline')).toHaveDisplayValue('Plate');
    await user.click(screen.getByRole('button', { name: 'Take it away' }));
    expect(kit().groups[0]?.map.shapes).toEqual([]);
  });
  it('puts its stations on the holes of a drawing with as many', async () => {
    const { read, tray } = map();
    await tray('Sheet and drawings');
    const moved = STATIONS.map((station) => ({ ...station, xMm: station.xMm + 50 }));
    await read('Holes from a DXF', writeDxf(GROUP, moved), 'plate.dxf', 'application/dxf');
    expect(await screen.findByText('3 holes taken from plate.dxf.')).toBeVisible();
    expect(kit().stations).toHaveLength(3);
    const span = (list: readonly Station[], axis: 'xMm' | 'yMm') =>
      Math.max(...list.map((entry) => entry[axis])) - Math.min(...list.map((entry) => entry[axis]));
    for (const axis of ['xMm', 'yMm'] as const) expect(span(kit().stations, axis)).toBeCloseTo(span(moved, axis), 3);
  });
  it('makes new stations where the drawing has another number of holes', async () => {
    const { read, tray } = map();
    await tray('Sheet and drawings');
    const two = STATIONS.slice(0, 2);
    const drawing = writeDxf({ ...GROUP, stations: two.map(({ id }) => id) }, two);
    await read('Holes from a DXF', drawing, 'two.dxf', 'application/dxf');
    expect(await screen.findByText('2 holes taken from two.dxf.')).toBeVisible();
    expect(kit().stations).toHaveLength(5);
  });
  it('says why a file is no drawing or no picture, until it is seen, and changes nothing', async () => {
    const { user, read, tray } = map();
    await tray('Sheet and drawings');
    await read('Holes from a DXF', 'dear sir', 'letter.dxf', 'application/dxf');
    const status = await screen.findByRole('status');
    expect(status).not.toBeEmptyDOMElement();
    expect(status).not.toHaveTextContent(/taken from/);
    await user.click(within(status).getByRole('button', { name: 'Close' }));
    expect(screen.queryByRole('status')).toBeNull();
    expect(kit().stations).toHaveLength(3);
  });
  it('keeps the sheet of the map within what can be drawn', async () => {
    const { retype, tray } = map();
    await tray('Sheet and drawings');
    await retype('Wide, mm', '10');
    expect(screen.getByText('20 to 20000 mm.')).toBeVisible();
    expect(kit().groups[0]?.map.widthMm).toBe(600);
    await retype('Wide, mm', '30 in');
    expect(kit().groups[0]?.map.widthMm).toBe(762);
  });
});

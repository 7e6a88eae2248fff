import '@testing-library/jest-dom/jest-globals';
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { act, cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ReactElement } from 'react';
import { MemoryRouter } from 'react-router';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { FRONT_RECOVERY_POINTS, TRACK_BAR_BRACE, TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { ChoiceList } from './ChoiceList.tsx';
import { useEditor } from './editor-store.ts';
import { KitHead } from './KitHead.tsx';
import { StationEditor } from './StationEditor.tsx';
import { StepEditor } from './StepEditor.tsx';
import { StepLists } from './StepLists.tsx';

beforeEach(() => localStorage.clear());
afterEach(cleanup);

const kit = (): KitDocument => useEditor.getState().kit as KitDocument;
function edit(part: ReactElement, document: KitDocument = TRANSFER_CASE_GUARD) {
  useEditor.setState({ kit: structuredClone(document), save: 'saved', version: 1, checked: undefined });
  useEditor.temporal.getState().clear();
  render(<MemoryRouter>{part}</MemoryRouter>);
  return userEvent.setup();
}
/** The list under a heading. */
const list = (title: string): HTMLElement =>
  screen.getByRole('heading', { name: title }).closest('section') as HTMLElement;
const retype = async (user: ReturnType<typeof userEvent.setup>, field: HTMLElement, text: string) => {
  await user.clear(field);
  await user.type(field, text);
  await user.tab();
};
const EMPTY: KitDocument = {
  ...TRANSFER_CASE_GUARD,
  removed: [],
  disconnects: [],
  neighbours: [],
  temporary: [],
  baselines: [],
  checks: [],
  irreversible: [],
  prerequisites: [],
  cautions: [],
  aftercare: [],
  tools: [],
  choices: [],
};

describe('every list of a kit in the same rows', () => {
  it.each([
    ['Comes off the vehicle', 'removed'],
    ['Opened and closed again', 'disconnects'],
    ['Loosened for access', 'neighbours'],
    ['Put on for the work', 'temporary'],
    ['Measured before', 'baselines'],
    ['Checks', 'checks'],
    ['Cannot be taken back', 'irreversible'],
    ['Before anything comes off', 'prerequisites'],
    ['Cautions', 'cautions'],
    ['Aftercare', 'aftercare'],
    ['Tools on the sheet', 'tools'],
  ] as const)('%s: one more, another, told apart, and one away again', async (title, name) => {
    const user = edit(<StepLists />, EMPTY);
    const add = within(list(title)).getByRole('button', { name: `Add to ${title}` });
    await user.click(add);
    await user.click(add);
    const entries = kit()[name] as Array<{ id: string }>;
    expect(entries).toHaveLength(2);
    expect(new Set(entries.map(({ id }) => id)).size).toBe(2);
    const [first] = within(list(title)).getAllByRole('button', { name: /^Take .* away$/ });
    await user.click(first as HTMLElement);
    expect((kit()[name] as Array<{ id: string }>).map(({ id }) => id)).toEqual([entries[1]?.id]);
    act(() => useEditor.temporal.getState().undo());
    expect(kit()[name]).toHaveLength(2);
  });
  it('words may not be emptied where they are needed, and what was there stays', async () => {
    const user = edit(<StepLists />, { ...EMPTY, checks: [{ id: 'c', text: 'Gap even' }] as never });
    const field = within(list('Checks')).getByDisplayValue('Gap even');
    await retype(user, field, '   ');
    expect(within(list('Checks')).getByText('Say it.')).toBeVisible();
    expect(kit().checks[0]?.text).toBe('Gap even');
    await retype(user, field, '  Gap 4 mm  ');
    expect(kit().checks[0]?.text).toBe('Gap 4 mm');
  });
  it('a check says what it is judged by, and which step a miss goes back to', async () => {
    const user = edit(<StepLists />, { ...EMPTY, checks: [{ id: 'c', text: 'Gap' }] as never });
    const checks = within(list('Checks'));
    await user.selectOptions(checks.getByLabelText('What is measured'), 'gap');
    await retype(user, checks.getByLabelText('Aimed at'), '10');
    await retype(user, checks.getByLabelText('Off by at most'), '0,5');
    await retype(user, checks.getByLabelText('Left and right apart at most'), '0');
    expect(checks.getByText('Above 0.')).toBeInTheDocument();
    await user.selectOptions(checks.getByLabelText('A miss'), 'deviation');
    await user.selectOptions(checks.getByLabelText('Put right at step'), kit().steps[0]?.id ?? '');
    await retype(user, checks.getByLabelText('What a miss usually means'), 'the bracket is the wrong way round');
    expect(kit().checks[0]).toEqual({
      id: 'c',
      text: 'Gap',
      quantity: 'gap',
      target: 10,
      tolerance: 0.5,
      miss: 'deviation',
      failsTo: kit().steps[0]?.id,
      usually: 'the bracket is the wrong way round',
    });
  });
  it('a baseline says what the kit claims, and between what it must stand afterwards', async () => {
    const user = edit(<StepLists />, {
      ...EMPTY,
      baselines: [{ id: 'b', name: 'Ride height', quantity: 'rideHeight', places: ['front left'] }] as never,
    });
    const baselines = within(list('Measured before'));
    await retype(user, baselines.getByLabelText('Changes by at least'), '20');
    expect(kit().baselines[0]?.change).toEqual({ min: 20, max: 20 });
    await retype(user, baselines.getByLabelText('Changes by at most'), '28');
    await retype(user, baselines.getByLabelText('Afterwards at least'), 'tall');
    expect(baselines.getByText('A number.')).toBeInTheDocument();
    await retype(user, baselines.getByLabelText('Afterwards at least'), '500');
    expect(kit().baselines[0]).toMatchObject({ change: { min: 20, max: 28 }, after: { min: 500 } });
    await retype(user, baselines.getByLabelText('Afterwards at least'), ' ');
    await user.clear(baselines.getByLabelText('Changes by at least'));
    await user.tab();
    expect(kit().baselines[0]).toEqual({
      id: 'b',
      name: 'Ride height',
      quantity: 'rideHeight',
      places: ['front left'],
    });
  });
  it.each([
    ['0', false],
    ['1001', false],
    ['2.5', false],
    ['many', false],
    ['8', true],
  ])('a count of %s: taken %s', async (typed, taken) => {
    const user = edit(<StepLists />, {
      ...EMPTY,
      removed: [{ id: 'r', name: 'Clip', count: 4, fate: 'refit' }] as never,
    });
    await retype(user, within(list('Comes off the vehicle')).getByLabelText('Count'), typed);
    expect(kit().removed[0]?.count).toBe(taken ? 8 : 4);
    expect(screen.queryByText('1 to 1000') !== null).toBe(!taken);
  });
  it('a figure that may be left out is taken away when it is emptied', async () => {
    const user = edit(<StepLists />, {
      ...EMPTY,
      aftercare: [{ id: 'a', text: 'Check', about: 'joints', afterKm: 800 }] as never,
    });
    await retype(user, within(list('Aftercare')).getByLabelText('km'), ' ');
    expect('afterKm' in (kit().aftercare[0] ?? {})).toBe(false);
    await retype(user, within(list('Aftercare')).getByLabelText('days'), '30');
    expect(kit().aftercare[0]).toMatchObject({ afterDays: 30 });
  });
  it('a choice set back to nothing leaves no empty word in the file', async () => {
    const user = edit(<StepLists />, {
      ...EMPTY,
      removed: [{ id: 'r', name: 'Bolt', count: 1, fate: 'refit', side: 'left' }] as never,
    });
    await user.click(screen.getByText('How it goes back'));
    await user.selectOptions(screen.getByLabelText('Side'), 'none');
    expect('side' in (kit().removed[0] ?? {})).toBe(false);
    await user.click(screen.getByLabelText('Used once only'));
    expect(kit().removed[0]).toMatchObject({ singleUse: true });
    await user.click(screen.getByLabelText('Used once only'));
    expect('singleUse' in (kit().removed[0] ?? {})).toBe(false);
  });
  it('the torque a thing goes back with is read as it is typed, refused where none can be', async () => {
    const user = edit(<StepLists />, {
      ...EMPTY,
      removed: [{ id: 'r', name: 'Bolt', count: 1, fate: 'refit' }] as never,
    });
    await user.click(screen.getByText('How it goes back'));
    const field = screen.getByLabelText('Torque it goes back with');
    await retype(user, field, '83 ft-lb');
    expect(kit().removed[0]?.specs?.[0]).toMatchObject({ printed: '83 ft-lb', spec: { kind: 'torque' } });
    await retype(user, field, 'tight');
    expect(kit().removed[0]?.specs?.[0]?.printed).toBe('83 ft-lb');
    await retype(user, field, ' ');
    expect(kit().removed[0]?.specs ?? []).toEqual([]);
  });
});

describe('the head of a kit', () => {
  it('title and maker are needed; the time may be left out and must be one', async () => {
    const user = edit(<KitHead />);
    await retype(user, screen.getByLabelText('Title'), ' ');
    expect(screen.getByText('Give it a title.')).toBeVisible();
    expect(kit().title).toBe(TRANSFER_CASE_GUARD.title);
    await retype(user, screen.getByLabelText('Stated time, minutes'), '-4');
    expect(screen.getByText('Up to 10,000.')).toBeVisible();
    await retype(user, screen.getByLabelText('Stated time, minutes'), ' ');
    expect('statedMinutes' in kit()).toBe(false);
  });
  it('a name as long as they come is kept whole', async () => {
    const user = edit(<KitHead />);
    const name = 'Under-engine, transfer-case and tank protection for the long wheelbase, '.repeat(3).trim();
    await retype(user, screen.getByLabelText('Title'), name);
    expect(kit().title).toBe(name);
  });
  it('choices of a person: options need what each brings', async () => {
    const user = edit(<ChoiceList />, EMPTY);
    await user.click(screen.getByRole('button', { name: 'Add a choice' }));
    const options = screen.getByLabelText(/^Options/);
    await retype(user, options, 'Soft');
    expect(screen.getByText(/Two lines or more/)).toBeVisible();
    await retype(user, options, 'Low = drags on ramps{Enter}High = looks high');
    expect(kit().choices[0]?.options.map(({ label, consequence }) => [label, consequence])).toEqual([
      ['Low', 'drags on ramps'],
      ['High', 'looks high'],
    ]);
  });
});

describe('a station and its torque', () => {
  const printed = () => screen.getByLabelText('As the sheet prints it');
  it('without a station says how to get one', () => {
    edit(<StationEditor />, { ...EMPTY, stations: [], groups: [] });
    expect(screen.getByText(/No station yet/)).toBeVisible();
  });
  it('one added stands in a group and has no figure that nobody gave', async () => {
    const user = edit(<StationEditor />, { ...EMPTY, stations: [], groups: [] });
    await user.click(screen.getByRole('button', { name: 'Add a station' }));
    expect(kit().groups[0]?.stations).toEqual([kit().stations[0]?.id]);
    expect(kit().stations[0]?.specs[0]?.spec).toEqual({ kind: 'missing', why: 'notGiven' });
  });
  it('the words typed say which kind it is', async () => {
    const user = edit(<StationEditor />);
    for (const [typed, kind] of [
      ['45 Nm', 'torque'],
      ['80-100 in-lb', 'range'],
      ['74 ft-lb plus 90°', 'torqueAngle'],
    ] as const) {
      await retype(user, printed(), typed);
      expect(kit().stations[0]?.specs[0]).toMatchObject({ printed: typed, spec: { kind } });
    }
  });
  it('a figure without a unit, and one of no trade, are refused with the reason; the old one stays', async () => {
    const user = edit(<StationEditor />);
    const before = kit().stations[0]?.specs[0];
    await retype(user, printed(), '45');
    expect(screen.getByText(/No torque with a unit in it/)).toBeVisible();
    await retype(user, printed(), '9000 Nm');
    expect(screen.getByText(/is no torque of this trade/)).toBeVisible();
    expect(kit().stations[0]?.specs[0]).toEqual(before);
  });
  it('drawn to yield is a kind of its own, with a threshold and a limit', async () => {
    const user = edit(<StationEditor />);
    await user.selectOptions(screen.getByLabelText('Kind'), 'Until it yields, by gradient');
    expect(kit().stations[0]?.specs[0]?.spec).toMatchObject({ kind: 'yieldControlled' });
    await retype(user, printed(), '40 Nm, then to yield, never over 165 Nm');
    expect(kit().stations[0]?.specs[0]).toEqual({
      spec: { kind: 'yieldControlled', thresholdNm: 40, maximumNm: 165 },
      printed: '40 Nm, then to yield, never over 165 Nm',
    });
    await retype(user, screen.getByLabelText('Never over, N·m'), '150');
    expect(kit().stations[0]?.specs[0]?.spec).toMatchObject({ maximumNm: 150 });
    await retype(user, printed(), 'as the card says');
    expect(kit().stations[0]?.specs[0]).toMatchObject({ printed: 'as the card says', spec: { maximumNm: 150 } });
  });
  it('a torque is given to the whole group at once', async () => {
    const user = edit(<StationEditor />);
    await retype(user, printed(), '12 Nm');
    const spread = screen.getAllByRole('button', { name: 'Same for the whole group' });
    for (const button of spread) await user.click(button);
    const group = kit().groups[0]?.stations ?? [];
    const given = kit()
      .stations.filter(({ id }) => group.includes(id))
      .map(({ specs }) => specs[0]?.printed);
    expect(new Set(given)).toEqual(new Set(['12 Nm']));
  });
});

describe('the steps', () => {
  it('stand in their order with their actions, and one more goes last in the same phase', async () => {
    const user = edit(<StepEditor />, TRACK_BAR_BRACE);
    const before = kit().steps.length;
    await user.click(screen.getByRole('button', { name: /Add a step/ }));
    expect(kit().steps).toHaveLength(before + 1);
    expect(kit().steps.at(-1)?.phase).toBe(kit().steps.at(-2)?.phase);
  });
  it('a kit without steps can be given the first', async () => {
    const user = edit(<StepEditor />, { ...FRONT_RECOVERY_POINTS, steps: [] });
    await user.click(screen.getByRole('button', { name: /Add a step/ }));
    expect(kit().steps[0]).toMatchObject({ phase: 'prepare' });
  });
});

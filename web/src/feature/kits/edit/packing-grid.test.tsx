import '@testing-library/jest-dom/jest-globals';
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { act, cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter } from 'react-router';
import type { Item, KitDocument } from '#core/kit/kit-document.ts';
import { TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { useEditor } from './editor-store.ts';
import { PackingGrid } from './PackingGrid.tsx';

beforeEach(() => localStorage.clear());
afterEach(cleanup);

const ITEMS: Item[] = [
  { id: 'b', line: 'C9', bag: 'Bag C', kind: 'bolt', name: 'Bolt', quantity: 4, source: 'kit', lengthMm: 30 },
  { id: 'w', line: 'C10', bag: 'Bag C', kind: 'washer', name: 'Washer', quantity: 8, source: 'kit' },
];
const kit = (): KitDocument => useEditor.getState().kit as KitDocument;
function grid(items: Item[] = ITEMS, rest: Partial<KitDocument> = { stations: [], steps: [] }) {
  const document = structuredClone({ ...TRANSFER_CASE_GUARD, ...rest, items });
  useEditor.setState({ kit: document, save: 'saved', version: 1, checked: undefined });
  useEditor.temporal.getState().clear();
  render(<PackingGrid />, { wrapper: MemoryRouter });
  return userEvent.setup();
}
const cell = (column: string, line: string) => screen.getByLabelText(`${column}, ${line}`);
const choose = (user: ReturnType<typeof userEvent.setup>, text: string) =>
  user.upload(screen.getByLabelText('Packing list file'), new File([text], 'list.csv', { type: 'text/csv' }));

describe('the packing list as a grid', () => {
  it('with no line says how to begin, and has nothing to write out', async () => {
    const user = grid([]);
    expect(screen.getByText(/No line yet/)).toBeVisible();
    expect(screen.getByRole('button', { name: 'CSV out' })).toBeDisabled();
    await user.click(screen.getByRole('button', { name: 'Add a line' }));
    expect(kit().items).toMatchObject([{ line: 'A1', bag: 'Bag A', quantity: 1, source: 'kit' }]);
  });
  it('numbers the next line on from the last, in the last one’s bag', async () => {
    const user = grid();
    await user.click(screen.getByRole('button', { name: 'Add a line' }));
    expect(kit().items.at(-1)).toMatchObject({ line: 'C11', bag: 'Bag C' });
    act(() => useEditor.temporal.getState().undo());
    expect(kit().items).toHaveLength(2);
  });
  it.each([
    ['Qty', 'none', 'must be a number above 0'],
    ['Qty', '2.5', 'must be a whole number'],
    ['Qty', '', 'must not be empty'],
    ['Name', '=A1', 'formulas are not taken'],
    ['Length', '-3', 'must be a number above 0'],
  ])(
    '%s does not take “%s”: says why, keeps what was typed, and Escape brings the old back',
    async (column, typed, why) => {
      const user = grid();
      const before = structuredClone(kit().items);
      const field = cell(column, 'C9');
      await user.clear(field);
      if (typed) await user.type(field, typed);
      await user.tab();
      expect(screen.getByRole('alert')).toHaveTextContent(why);
      expect(field).toHaveValue(typed);
      expect(field).toBeInvalid();
      expect(kit().items).toEqual(before);
      await user.type(field, '{Escape}');
      expect(screen.queryByRole('alert')).toBeNull();
      expect(field).not.toHaveValue(typed);
    },
  );
  it('takes a decimal comma and millimetres, and an emptied figure away', async () => {
    const user = grid();
    await user.clear(cell('Length', 'C9'));
    await user.type(cell('Length', 'C9'), '27,5 mm{Enter}');
    expect(kit().items[0]?.lengthMm).toBe(27.5);
    await user.clear(cell('Length', 'C9'));
    await user.tab();
    expect('lengthMm' in (kit().items[0] ?? {})).toBe(false);
  });
  it('goes up and down with the keys, and Enter on the last line begins another', async () => {
    const user = grid();
    await user.click(cell('Name', 'C9'));
    await user.keyboard('{ArrowDown}');
    expect(cell('Name', 'C10')).toHaveFocus();
    await user.keyboard('{ArrowUp}');
    expect(cell('Name', 'C9')).toHaveFocus();
    await user.keyboard('{Enter}{Enter}');
    expect(kit().items).toHaveLength(3);
  });
  it('chooses from a list where there is one', async () => {
    const user = grid();
    await user.selectOptions(cell('Side', 'C9'), 'left');
    expect(kit().items[0]?.side).toBe('left');
    await user.selectOptions(cell('Side', 'C9'), '');
    expect('side' in (kit().items[0] ?? {})).toBe(false);
  });
  it('takes a block of cells from a spreadsheet, further lines with it', async () => {
    const user = grid();
    await user.click(cell('Name', 'C10'));
    await user.paste('Flat washer\t16\nLock nut\t4');
    expect(kit().items.map(({ name, quantity }) => [name, quantity])).toEqual([
      ['Bolt', 4],
      ['Flat washer', 16],
      ['Lock nut', 4],
    ]);
    expect(new Set(kit().items.map(({ id }) => id)).size).toBe(3);
  });
  it('takes none of a block with a bad cell, and names row and column', async () => {
    const user = grid();
    const before = structuredClone(kit().items);
    await user.click(cell('Name', 'C9'));
    await user.paste('Stud\t4\nWasher\tlots');
    expect(screen.getByRole('alert')).toHaveTextContent(
      'Nothing was taken:Row 2, Qty: must be a number above 0, was “lots”',
    );
    expect(kit().items).toEqual(before);
  });
  it('leaves what is pasted into one cell to the cell', async () => {
    const user = grid();
    await user.click(cell('Name', 'C9'));
    await user.clear(cell('Name', 'C9'));
    await user.paste('Stud');
    await user.tab();
    expect(kit().items[0]?.name).toBe('Stud');
  });
  it('reads a CSV behind the lines there are, each under an id of its own', async () => {
    const user = grid();
    await choose(user, 'line,bag,kind,name,quantity,source\nD1,Bag D,nut,Nut,4,kit\n');
    expect(await screen.findByLabelText('Name, D1')).toHaveValue('Nut');
    expect(kit().items).toHaveLength(3);
    await choose(user, 'line,bag,kind,name,quantity,source\nD1,Bag D,nut,Nut,4,kit\n');
    expect(await screen.findAllByLabelText('Name, D1')).toHaveLength(2);
    expect(new Set(kit().items.map(({ id }) => id)).size).toBe(4);
  });
  it('refuses a CSV with faults, the first eight by name and the rest counted', async () => {
    const user = grid();
    await choose(user, `name,quantity\n${Array.from({ length: 11 }, (_, row) => `Nut ${row},none`).join('\n')}\n`);
    const alert = await screen.findByRole('alert');
    expect(within(alert).getAllByRole('listitem')).toHaveLength(9);
    expect(alert).toHaveTextContent('Row 2, quantity: must be a number above 0');
    expect(alert).toHaveTextContent('and 3 more');
    expect(kit().items).toHaveLength(2);
  });
  it('does not take a line away from under a station or a step', async () => {
    const station = TRANSFER_CASE_GUARD.stations[0];
    const used = station?.stack.find((piece) => piece.kind === 'hardware');
    const item = TRANSFER_CASE_GUARD.items.find(({ id }) => id === used?.item);
    if (!station || !item) throw new Error('no station with hardware');
    const user = grid([item, ...ITEMS], { stations: [station], steps: [] });
    await user.click(screen.getByRole('button', { name: `Take ${item.line} ${item.name} away` }));
    expect(screen.getByRole('alert')).toHaveTextContent(`stands in station ${station.label}. Take it out there first.`);
    expect(kit().items).toHaveLength(3);
    await user.click(screen.getByRole('button', { name: 'Take C10 Washer away' }));
    expect(kit().items.map(({ id }) => id)).toEqual([item.id, 'b']);
    expect(screen.queryByRole('alert')).toBeNull();
  });
  it('counts lines and pieces', () => {
    grid();
    expect(screen.getByText(/^2 lines, 12 pieces/)).toBeVisible();
  });
});

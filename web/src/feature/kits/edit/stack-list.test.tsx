import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import type { Item, StackPiece, Station } from '#core/kit/kit-document.ts';
import { TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { Stack } from './StackList.tsx';

afterEach(cleanup);

const ITEMS: Item[] = [
  { id: 'b', line: '1', bag: 'A', kind: 'bolt', name: 'Bolt', quantity: 4, source: 'kit' },
  { id: 'g', line: '2', bag: 'A', kind: 'compound', name: 'Grease', quantity: 1, source: 'kit' },
];
const PLATE: StackPiece = { kind: 'clamped', name: 'Plate', thicknessMm: 6 };
let stack: StackPiece[];
function Staged({ pieces }: { pieces: StackPiece[] }) {
  const [station, setStation] = useState<Station>({ ...(TRANSFER_CASE_GUARD.stations[0] as Station), stack: pieces });
  stack = station.stack;
  return (
    <Stack
      station={station}
      items={ITEMS}
      edit={(recipe) => {
        const next = structuredClone(station);
        recipe(next);
        setStation(next);
      }}
    />
  );
}
function show(...pieces: StackPiece[]) {
  render(<Staged pieces={pieces} />);
  const user = userEvent.setup();
  const retype = async (label: string, text: string) => {
    await user.clear(screen.getByLabelText(label));
    if (text) await user.type(screen.getByLabelText(label), text);
    await user.tab();
  };
  return { user, retype };
}

describe('the stack of a station', () => {
  // 1 in = 25.4 mm exactly (ISO 31-1 and the international yard and pound agreement of 1959).
  it.each([
    ['8', 8],
    ['8,5 mm', 8.5],
    ['1/4 in', 6.35],
    ['0.25"', 6.35],
    ['3/8"', 9.525],
  ])('takes a thickness of %s as %s mm', async (typed, mm) => {
    const { retype } = show(PLATE);
    await retype('Thick, mm', typed);
    expect(stack).toEqual([{ ...PLATE, thicknessMm: mm }]);
  });
  it.each(['', '0', '-2', '1/0 in', 'thin', '1001'])('does not take a thickness of “%s”', async (typed) => {
    const { retype } = show(PLATE);
    await retype('Thick, mm', typed);
    expect(screen.getByText('Up to 1000 mm.')).toBeVisible();
    expect(stack).toEqual([PLATE]);
  });
  it('takes away what may be left out, and never the name', async () => {
    const { user, retype } = show({ ...PLATE, holeMm: 11, material: 'steel', slot: true });
    await retype('Hole, mm', '');
    await user.selectOptions(screen.getByLabelText('Of'), '');
    await user.click(screen.getByLabelText('slot'));
    await retype('Part', ' ');
    expect(screen.getByText('Give it a name.')).toBeVisible();
    expect(stack).toEqual([PLATE]);
  });
  it('a tapped part is as deep as it is thick until told otherwise, and may be blind', async () => {
    const { user, retype } = show(PLATE);
    await user.click(screen.getByLabelText('tapped'));
    expect(stack).toEqual([{ ...PLATE, tapped: { depthMm: 6 } }]);
    await retype('Thread deep', '5');
    await user.click(screen.getByLabelText('blind'));
    expect(stack).toEqual([{ ...PLATE, tapped: { depthMm: 5, blind: true } }]);
    await user.click(screen.getByLabelText('tapped'));
    expect(stack).toEqual([PLATE]);
  });
  it('adds hardware of the packing list, no compound, and clamped parts; the last piece stays', async () => {
    const { user } = show(PLATE);
    expect(screen.getByRole('button', { name: 'Take this piece away' })).toBeDisabled();
    const list = screen.getByLabelText('Add a piece of the packing list');
    expect(list).toHaveTextContent('1 Bolt');
    expect(list).not.toHaveTextContent('Grease');
    await user.selectOptions(list, 'b');
    await user.click(screen.getByRole('button', { name: 'Add a clamped part' }));
    expect(stack).toEqual([PLATE, { kind: 'hardware', item: 'b' }, { kind: 'clamped', name: 'Part', thicknessMm: 5 }]);
    const [first] = screen.getAllByRole('button', { name: 'Take this piece away' });
    await user.click(first as HTMLElement);
    expect(stack[0]).toEqual({ kind: 'hardware', item: 'b' });
  });
  it('names hardware that is not on the packing list, and keeps which way it faces', async () => {
    const { retype } = show({ kind: 'hardware', item: 'x9' }, PLATE);
    expect(screen.getByText('x9, not on the packing list')).toBeVisible();
    await retype('Faces', ' head up ');
    expect(stack[0]).toEqual({ kind: 'hardware', item: 'x9', facing: 'head up' });
    await retype('Faces', '');
    expect(stack[0]).toEqual({ kind: 'hardware', item: 'x9' });
  });
});

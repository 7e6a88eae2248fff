import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import type { Condition } from '#core/kit/condition.ts';
import type { KitDocument, Question } from '#core/kit/kit-document.ts';
import { TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { ConditionButton } from './ConditionEditor.tsx';
import { useEditor } from './editor-store.ts';

afterEach(cleanup);

const QUESTIONS: Question[] = [
  { id: 'winch', text: 'Winch fitted?', kind: 'yesNo' },
  {
    id: 'engine',
    text: 'Which engine?',
    kind: 'choice',
    choices: [
      { value: 'diesel', label: 'Diesel' },
      { value: 'petrol', label: 'Petrol' },
    ],
  },
  { id: 'lift', text: 'Lift, mm?', kind: 'number', min: 20, max: 90 },
];

/** The rule as it was last kept; `unset` until one is. */
let kept: Condition | undefined | 'unset';
function Ruled({ from }: { from: Condition | undefined }) {
  const [when, setWhen] = useState(from);
  return (
    <ConditionButton
      when={when}
      of="A1 Bolt"
      onChange={(rule) => {
        kept = rule;
        setWhen(rule);
      }}
    />
  );
}
async function open(from?: Condition, questions: Question[] = QUESTIONS) {
  kept = 'unset';
  const kit: KitDocument = { ...TRANSFER_CASE_GUARD, questions };
  useEditor.setState({ kit, save: 'saved', version: 1, checked: undefined });
  render(<Ruled from={from} />);
  const user = userEvent.setup();
  await user.click(screen.getByRole('button', { name: /^When A1 Bolt applies/ }));
  await screen.findByRole('dialog');
  const keep = () => user.click(screen.getByRole('button', { name: 'Keep this rule' }));
  const shape = (to: string, nth = 0) =>
    user.selectOptions(screen.getAllByLabelText('Kind of rule')[nth] as HTMLElement, to);
  return { user, keep, shape };
}

describe('when something applies', () => {
  it('says so where the kit asks nothing to rule by', async () => {
    await open(undefined, []);
    expect(screen.getByText(/asks no questions yet/)).toBeVisible();
  });
  it.each<[string, string, Condition]>([
    ['a yes-or-no question', 'winch', { question: 'winch', is: true }],
    ['a choice', 'engine', { question: 'engine', is: 'diesel' }],
    ['a number', 'lift', { question: 'lift', atLeast: 20 }],
  ])('begins a rule over %s with its plainest answer', async (_, question, rule) => {
    const { user, keep, shape } = await open();
    await shape('compare');
    await user.selectOptions(screen.getByLabelText('Question'), question);
    await keep();
    expect(kept).toEqual(rule);
  });
  it('changes an answer of each kind', async () => {
    const { user, keep } = await open({ question: 'winch', is: true });
    await user.selectOptions(screen.getByLabelText('Answer'), 'no');
    await user.selectOptions(screen.getByLabelText('Question'), 'engine');
    await user.selectOptions(screen.getByLabelText('Answer'), 'petrol');
    await keep();
    expect(kept).toEqual({ question: 'engine', is: 'petrol' });
  });
  it('takes at least, at most and exactly of a number, and not an emptied field', async () => {
    const { user, keep } = await open({ question: 'lift', atLeast: 20 });
    const value = screen.getByLabelText('Value');
    await user.clear(value);
    expect(value).toHaveValue(20);
    await user.selectOptions(screen.getByLabelText('Comparison'), 'atMost');
    await user.type(value, '{selectall}65');
    await user.selectOptions(screen.getByLabelText('Comparison'), 'is');
    await keep();
    expect(kept).toEqual({ question: 'lift', is: expect.any(Number) });
  });
  it('adds a part and takes one away, but never the last', async () => {
    const { user, keep } = await open({ all: [{ question: 'engine', is: 'petrol' }] });
    expect(screen.queryByRole('button', { name: 'Take this part away' })).toBeNull();
    await user.click(screen.getByRole('button', { name: 'Add a part' }));
    const [first] = screen.getAllByRole('button', { name: 'Take this part away' });
    await user.click(first as HTMLElement);
    await keep();
    expect(kept).toEqual({ all: [{ question: 'winch', is: true }] });
  });
  const PETROL: Condition = { question: 'engine', is: 'petrol' };
  const TALL: Condition = { question: 'lift', atLeast: 50 };
  it.each<[string, Condition, string, Condition | undefined]>([
    ['one answer becomes all of', PETROL, 'all', { all: [PETROL] }],
    ['one answer becomes not', PETROL, 'not', { not: PETROL }],
    ['all becomes any', { all: [PETROL, TALL] }, 'any', { any: [PETROL, TALL] }],
    ['all becomes one answer', { all: [PETROL, TALL] }, 'compare', PETROL],
    ['not becomes one answer', { not: TALL }, 'compare', TALL],
    ['not becomes all of', { not: TALL }, 'all', { all: [TALL] }],
    ['a nest becomes its first plain answer', { any: [{ not: PETROL }, TALL] }, 'compare', TALL],
    ['any becomes always', { any: [PETROL, TALL] }, 'always', undefined],
  ])('%s: what was ruled stays as far as it can', async (_, from, to, rule) => {
    const { keep, shape } = await open(from);
    await shape(to);
    await keep();
    expect(kept).toEqual(rule);
  });
  it('a rule inside a rule has no "always", which would say nothing', async () => {
    await open({ any: [PETROL, TALL] });
    const [outer, inner] = screen.getAllByLabelText('Kind of rule');
    expect(within(outer as HTMLElement).queryByText('Always')).not.toBeNull();
    expect(within(inner as HTMLElement).queryByText('Always')).toBeNull();
  });
  it('shows a question that is no longer asked by its name, so that it can be mended', async () => {
    const { user, keep } = await open({ question: 'gone', is: true });
    expect(screen.getByLabelText('Question')).toHaveValue('gone');
    await user.selectOptions(screen.getByLabelText('Question'), 'winch');
    await keep();
    expect(kept).toEqual({ question: 'winch', is: true });
  });
  it('left alone, the rule stands as it stood, and opens from there again', async () => {
    const { user, shape } = await open(PETROL);
    await shape('always');
    await user.click(screen.getByRole('button', { name: 'Leave it' }));
    expect(kept).toBe('unset');
    await user.click(screen.getByRole('button', { name: /^When A1 Bolt applies/ }));
    expect(screen.getByLabelText('Answer')).toHaveValue('petrol');
  });
});

import '@testing-library/jest-dom/jest-globals';
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { KitDocument, Question } from '#core/kit/kit-document.ts';
import { TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { useEditor, useKit } from './editor-store.ts';
import { QuestionForm } from './QuestionForm.tsx';

beforeEach(() => localStorage.clear());
afterEach(cleanup);

const CHOICE: Question = {
  id: 'engine',
  text: 'Which engine?',
  kind: 'choice',
  choices: [
    { value: 'd', label: 'Diesel' },
    { value: 'p', label: 'Petrol' },
  ],
};
const question = (): Question => (useEditor.getState().kit as KitDocument).questions[0] as Question;
function Form() {
  const [asked] = useKit().questions;
  return <ul>{asked && <QuestionForm question={asked} index={0} onRemove={() => undefined} />}</ul>;
}
function edit(asked: Question) {
  const kit = structuredClone({ ...TRANSFER_CASE_GUARD, questions: [asked] });
  useEditor.setState({ kit, save: 'saved', version: 1, checked: undefined });
  useEditor.temporal.getState().clear();
  render(<Form />);
  const user = userEvent.setup();
  const retype = async (label: string, text: string) => {
    await user.clear(screen.getByLabelText(label));
    if (text) await user.type(screen.getByLabelText(label), text);
    await user.tab();
  };
  return { user, retype };
}
const ANSWERS = 'Answers, one after the other with commas';

describe('a question in the editor', () => {
  it('must ask something', async () => {
    const { retype } = edit(CHOICE);
    await retype('Asked', '  ');
    expect(screen.getByText('Ask something.')).toBeVisible();
    expect(question().text).toBe('Which engine?');
  });
  it('has a list of answers only while it is answered from a list', async () => {
    const { user } = edit(CHOICE);
    await user.selectOptions(screen.getByLabelText('Answer is'), 'number');
    expect('choices' in question()).toBe(false);
    await user.selectOptions(screen.getByLabelText('Answer is'), 'choice');
    expect(question().choices).toHaveLength(2);
  });
  it('an answer that is put in other words keeps its value, so that rules go on meaning it', async () => {
    const { retype } = edit(CHOICE);
    await retype(ANSWERS, 'Diesel, Petrol or gas');
    expect(question().choices).toEqual([
      { value: 'd', label: 'Diesel' },
      { value: 'p', label: 'Petrol or gas' },
    ]);
  });
  it('answers in another order keep their values', async () => {
    const { retype } = edit(CHOICE);
    await retype(ANSWERS, 'Petrol, Diesel');
    expect(question().choices).toEqual([
      { value: 'p', label: 'Petrol' },
      { value: 'd', label: 'Diesel' },
    ]);
  });
  it('a new answer has a value of its own, also in letters the value cannot hold', async () => {
    const { retype } = edit(CHOICE);
    await retype(ANSWERS, 'Diesel, Petrol, D, Ω');
    const values = (question().choices ?? []).map(({ value }) => value);
    expect(new Set(values).size).toBe(4);
    expect(values.every((value) => /^[a-z0-9-]+$/.test(value))).toBe(true);
  });
  it.each(['', 'Diesel', 'Diesel, Diesel ,'])('“%s” is no list of answers', async (typed) => {
    const { retype } = edit(CHOICE);
    await retype(ANSWERS, typed);
    expect(screen.getByText('Two answers or more.')).toBeVisible();
    expect(question()).toEqual(CHOICE);
  });
  it('ends of a number may be open, and are numbers', async () => {
    const { retype } = edit({ id: 'lift', text: 'Lift?', kind: 'number', min: 20 });
    await retype('To', '90,5');
    await retype('From', '');
    expect(question()).toEqual({ id: 'lift', text: 'Lift?', kind: 'number', max: 90.5 });
    await retype('From', 'low');
    expect(screen.getByText('A number.')).toBeVisible();
    expect('min' in question()).toBe(false);
  });
  it('what the vehicle knows and where to look may be left out again', async () => {
    const { user, retype } = edit({ ...CHOICE, from: 'engine', lookAt: 'under the bonnet' });
    await user.selectOptions(screen.getByLabelText('The vehicle knows'), 'its gearbox');
    expect(question().from).toBe('gearbox');
    await user.selectOptions(screen.getByLabelText('The vehicle knows'), 'no');
    await retype('Not sure? Look at', '');
    expect(question()).toEqual(CHOICE);
  });
});

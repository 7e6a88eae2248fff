import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import type { AnswerValue } from '#core/kit/condition.ts';
import type { Question } from '#core/kit/kit-document.ts';
import { QuestionField } from './Questions.tsx';

afterEach(cleanup);

const LIFT: Question = { id: 'lift', text: 'Lift, mm?', kind: 'number' };
let answers: AnswerValue[];
function Asked({ question, from = false, first }: { question: Question; from?: boolean; first?: AnswerValue }) {
  const [answer, setAnswer] = useState(first);
  return (
    <QuestionField
      question={question}
      answer={answer}
      fromVehicle={from}
      onAnswer={(value) => {
        answers.push(value);
        setAnswer(value);
      }}
    />
  );
}
function ask(question: Question, rest: { from?: boolean; first?: AnswerValue } = {}) {
  answers = [];
  render(<Asked question={question} {...rest} />);
  return userEvent.setup();
}

describe('a question of a kit', () => {
  it('the month it was built in is asked as a month, and known from the vehicle as one', () => {
    const built: Question = { id: 'built', text: 'Built in?', kind: 'number', from: 'buildMonth' };
    ask(built, { from: true, first: 202_009 });
    const field = screen.getByLabelText('Built in?');
    expect(field).toHaveValue('2020-09');
    fireEvent.change(field, { target: { value: '2021-01' } });
    expect(answers).toEqual([202_101]);
    expect(field).toHaveValue('2021-01');
  });
  it('yes or no, and shows which it is', async () => {
    const user = ask({ id: 'winch', text: 'Winch fitted?', kind: 'yesNo' });
    expect(screen.getByRole('button', { name: 'Yes' })).toHaveAttribute('aria-pressed', 'false');
    await user.click(screen.getByRole('button', { name: 'No' }));
    expect(answers).toEqual([false]);
    expect(screen.getByRole('button', { name: 'No' })).toHaveAttribute('aria-pressed', 'true');
  });
  it('one of a list is answered by its value, not by its words', async () => {
    const choices = [
      { value: 'd', label: 'Diesel' },
      { value: 'p', label: 'Petrol' },
    ];
    const user = ask({ id: 'engine', text: 'Engine?', kind: 'choice', choices }, { first: 'd' });
    expect(screen.getByRole('button', { name: 'Diesel' })).toHaveAttribute('aria-pressed', 'true');
    await user.click(screen.getByRole('button', { name: 'Petrol' }));
    expect(answers).toEqual(['p']);
  });
  it('a number, with a decimal comma too', async () => {
    const user = ask(LIFT);
    await user.type(screen.getByLabelText('Lift, mm?'), '38,5');
    expect(answers.at(-1)).toBe(38.5);
    expect(screen.queryByRole('alert')).toBeNull();
  });
  it.each([
    [{ min: 20, max: 90 }, '12', 'Between 20 and 90.'],
    [{ min: 20, max: 90 }, 'a bit', 'Between 20 and 90.'],
    [{ min: 20 }, '12', 'A number, 20 or more.'],
    [{ max: 90 }, '91', 'A number, 90 or less.'],
    [{}, 'a bit', 'A number.'],
  ])('of %o does not take “%s” for good', async (range, typed, said) => {
    const user = ask({ ...LIFT, ...range });
    await user.type(screen.getByLabelText('Lift, mm?'), typed);
    expect(screen.getByRole('alert')).toHaveTextContent(said);
  });
  it('what is no number is no answer, and an emptied field is none either', async () => {
    const user = ask(LIFT, { first: 40 });
    await user.clear(screen.getByLabelText('Lift, mm?'));
    await user.type(screen.getByLabelText('Lift, mm?'), 'tall');
    expect(answers).toEqual([]);
  });
  it('says where to look, or that the vehicle told it', () => {
    ask({ ...LIFT, lookAt: 'the spring tower' });
    expect(screen.getByText('Not sure? the spring tower')).toBeVisible();
    cleanup();
    ask({ ...LIFT, lookAt: 'the spring tower' }, { from: true });
    expect(screen.getByText(/Known from the vehicle/)).toBeVisible();
  });
});

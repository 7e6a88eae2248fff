import '@testing-library/jest-dom/jest-globals';
import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { Answer, Ask } from '#core/line/ask.ts';
import { FluidFirst } from './FluidFirst.tsx';
import { NumberAsk } from './NumberAsk.tsx';
import type { LineInHand } from './use-line.ts';

beforeEach(() => sessionStorage.clear());
afterEach(cleanup);

type NumberQuestion = Extract<Ask, { kind: 'number' }>;
const GAP: NumberQuestion = {
  kind: 'number',
  key: 'at left',
  about: 'value',
  what: 'left',
  unit: 'mm',
  min: 8,
  max: 15,
  outside: 'fails',
  elsewhere: true,
  measured: { quantity: 'gap' },
};
function ask(more: Partial<NumberQuestion> = {}) {
  const answers: Array<[Answer, boolean | undefined]> = [];
  render(
    <NumberAsk ask={{ ...GAP, ...more }} then="right" onAnswer={(answer, sure) => void answers.push([answer, sure])} />,
  );
  // A hand types slower than an instrument sends.
  return { answers, user: userEvent.setup({ delay: 40 }) };
}
const field = () => screen.getByLabelText(/left|Close the instrument/);
/** An instrument types all at once: one character right behind the other. */
function send(text: string) {
  const atMs = performance.now();
  // By its own clock, however slowly this machine draws.
  const clock = jest.spyOn(performance, 'now').mockReturnValue(atMs);
  for (let end = 1; end <= text.length; end += 1) fireEvent.change(field(), { target: { value: text.slice(0, end) } });
  fireEvent.submit(field().closest('form') as HTMLFormElement);
  clock.mockRestore();
}

describe('a figure', () => {
  it('is taken as it is read, with comma or point, and said to be outside', async () => {
    const { answers, user } = ask();
    await user.type(field(), '6,5');
    expect(screen.getByText('Outside: it is kept as not met.')).toBeVisible();
    await new Promise((done) => setTimeout(done, 120));
    await user.type(field(), '5');
    await user.keyboard('{Enter}');
    expect(answers).toEqual([[6.55, undefined]]);
  });
  it('that is hardly so is asked about: what was meant first, or kept on one’s word', async () => {
    const { answers, user } = ask();
    await user.type(field(), '1.2');
    await user.keyboard('{Enter}');
    expect(answers).toEqual([]);
    expect(screen.getByRole('alert')).toHaveTextContent('1.2 mm is hardly what is on the vehicle.');
    await user.click(screen.getByRole('button', { name: /^It is 12 mm/ }));
    expect(answers).toEqual([[12, undefined]]);
    cleanup();
    const again = ask();
    await again.user.type(field(), '1.2');
    await again.user.keyboard('{Enter}');
    await again.user.click(screen.getByRole('button', { name: 'It really is 1.2 mm' }));
    expect(again.answers).toEqual([[1.2, true]]);
  });
  it('in inches is turned into what is asked for; degrees are not', async () => {
    const { answers, user } = ask();
    await user.type(field(), '0.4in');
    expect(screen.getByText(/0\.4 in is/)).toHaveTextContent('10.16 mm');
    await user.clear(field());
    await user.type(field(), '3°');
    expect(screen.getByText('It shows °, and mm is asked for.')).toBeVisible();
    await user.keyboard('{Enter}');
    expect(answers).toEqual([]);
  });
  it('measured elsewhere needs who and what', async () => {
    const { answers, user } = ask();
    await user.click(screen.getByRole('button', { name: 'Measured elsewhere' }));
    await user.type(screen.getByLabelText('Who measured it'), 'Orrin Alignment');
    expect(screen.getByRole('button', { name: /Say who and what/ })).toBeDisabled();
    await user.type(screen.getByLabelText(/What they found/), '12 mm, sheet 41');
    await user.keyboard('{Enter}');
    expect(answers).toEqual([[['Orrin Alignment', '12 mm, sheet 41'], undefined]]);
  });
  it('measured again says in words how it changed, against what the kit says', async () => {
    const { user } = ask({
      min: undefined,
      max: undefined,
      expected: 512,
      measured: { quantity: 'rideHeight', near: [512] },
      claim: { quantity: 'rideHeight', change: { min: 20, max: 28 } },
    });
    expect(screen.getByText(/the kit says 20 to 28 mm higher/)).toBeVisible();
    await user.type(field(), '510.5');
    expect(screen.getByText('1.5 mm lower than before')).toBeVisible();
  });
});

describe('an instrument that types', () => {
  it('is closed first and must read nought, once a day', () => {
    const { answers } = ask();
    send('+0010.20 mm');
    expect(answers).toEqual([]);
    expect(screen.getByText('Close the instrument and send: it must read 0')).toBeVisible();
    send('+0000.01 mm');
    expect(answers).toEqual([[10.2, undefined]]);
    cleanup();
    const next = ask({ key: 'at right' });
    send('+0011.00 mm');
    expect(next.answers).toEqual([[11, undefined]]);
  });
  it('whose zero is off measures nothing', () => {
    const { answers } = ask();
    send('10.20 mm');
    send('0.15 mm');
    expect(answers).toEqual([]);
    expect(screen.getByRole('alert')).toHaveTextContent('Closed it reads 0.15 mm. Set its zero, then measure again.');
  });
});

describe('what is filled in', () => {
  it('is held back until it is said to be there, with its date', async () => {
    const given: object[] = [];
    const line = { give: (command: object) => given.push(command) } as unknown as LineInHand;
    const user = userEvent.setup();
    render(
      <FluidFirst line={line} fluid={{ wanted: 'fill axle oil L', name: 'axle oil', quantity: 1.9, unit: 'L' }} />,
    );
    expect(screen.getByText(/No axle oil is noted as there/)).toBeVisible();
    fireEvent.change(screen.getByLabelText(/Good until/), { target: { value: '2027-01-31' } });
    await user.click(screen.getByRole('button', { name: /It is here: 1.9 L/ }));
    expect(given).toEqual([{ type: 'noteBought', wanted: 'fill axle oil L', quantity: 1.9, expiresOn: '2027-01-31' }]);
  });
});

import '@testing-library/jest-dom/jest-globals';
import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { act, cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { usePrimaryKey } from '../../app/use-primary-key.ts';
import { hearWith, type Utterance } from '../../shop/hearing.ts';
import { useSettings } from '../../shop/settings.ts';
import HeardStrip from './HeardStrip.tsx';

let tell: (said: Utterance) => void = () => undefined;
const hear = (text: string, confidence = 1) => act(() => tell({ text, confidence }));

beforeEach(() => {
  useSettings.setState({ hears: true });
  hearWith({
    listen(onHeard) {
      tell = onHeard;
      return () => undefined;
    },
  });
});
afterEach(() => {
  hearWith();
  useSettings.setState({ hears: false });
  jest.useRealTimers();
  cleanup();
});

/** A step of the line, in small. */
function Step({ sheet = false }: { sheet?: boolean }) {
  const [done, setDone] = useState<string[]>([]);
  const [typed, setTyped] = useState('');
  const add = (what: string) => setDone((before) => [...before, what]);
  usePrimaryKey(() => add('done'));
  useHotkeys('u', () => add('taken back'));
  useHotkeys('p', () => add('problem'));
  return (
    <aside>
      <HeardStrip />
      <form
        onSubmit={(event) => {
          event.preventDefault();
          add(`reading ${typed}`);
        }}
      >
        <input
          inputMode="decimal"
          aria-label="Reading"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
      </form>
      {sheet && <div role="dialog">A reason, please</div>}
      <p>did: {done.join(', ')}</p>
    </aside>
  );
}
const did = () => screen.getByText(/^did:/).textContent;

describe('what is said to the line', () => {
  it('is asked back, and done after a yes', () => {
    render(<Step />);
    hear('done');
    expect(screen.getByRole('status')).toHaveTextContent('Done? Say yes or no.');
    expect(did()).toBe('did: ');
    hear('yes');
    expect(did()).toBe('did: done');
  });
  it('is let go by a no, by another word, and by itself', () => {
    jest.useFakeTimers();
    render(<Step />);
    hear('take back');
    hear('no');
    hear('yes');
    hear('done');
    hear('sixty three');
    expect(screen.getByRole('status')).toHaveTextContent('63. Say yes or no.');
    act(() => jest.advanceTimersByTime(8000));
    hear('yes');
    expect(did()).toBe('did: ');
  });
  it('a number goes into the field that asks for one, and is given', () => {
    render(<Step />);
    hear('fifty four point five');
    hear('yes');
    expect(did()).toBe('did: reading 54.5');
  });
  it('takes back, and opens the problem sheet at once', () => {
    render(<Step />);
    hear('take it back');
    hear('right');
    hear('problem');
    expect(did()).toBe('did: taken back, problem');
  });
  it('is not taken from talk, nor where the program guessed', () => {
    render(<Step />);
    hear('no problem mate');
    expect(screen.getByRole('status')).toHaveTextContent('“no problem mate”. Not understood.');
    hear('done', 0.4);
    hear('yes');
    expect(did()).toBe('did: ');
  });
  it('does nothing while a sheet is open: that takes hands', () => {
    render(<Step sheet />);
    hear('done');
    hear('yes');
    expect(screen.getByRole('status')).toHaveTextContent('A sheet is open: that takes hands.');
    expect(did()).toBe('did: ');
  });
  it('may be answered by hand', async () => {
    render(<Step />);
    hear('done');
    await userEvent.click(screen.getByRole('button', { name: 'Yes' }));
    expect(did()).toBe('did: done');
  });
});

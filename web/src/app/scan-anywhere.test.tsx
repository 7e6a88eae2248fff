import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it, jest } from '@jest/globals';
import { cleanup, screen, waitFor } from '@testing-library/react';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Route } from 'react-router';
import { scan } from '../test/scan.ts';
import { FITTER, Shop, stage } from '../test/stage.tsx';
import { ScanAnywhere } from './ScanAnywhere.tsx';
import { useScanner } from './use-scanner.ts';

afterEach(cleanup);

const shop = () =>
  new Shop()
    .on('GET /jobs', { body: [] })
    .on('GET /vehicles', {
      body: [{ id: 'v1', plate: 'TG 14 KLO', make: 'Sallow', model: 'Carrick', owner: 'Upper Rivers Board' }],
    })
    .on('GET /kit-library/library', { body: [] })
    .on('GET /crib', { body: { wrenches: [], tools: [], bottles: [], temperatures: [], rechecks: [], people: [] } });

function Bench({ takes }: { takes?: (code: string) => boolean }) {
  const [pressed, setPressed] = useState(0);
  useHotkeys('t', () => setPressed((before) => before + 1));
  useScanner((code) => takes?.(code) ?? false);
  return (
    <>
      <p>pressed {pressed}</p>
      <button type="button" onClick={() => setPressed((before) => before * 10)}>
        Times ten
      </button>
    </>
  );
}
const open = (takes?: (code: string) => boolean) =>
  stage(
    <Route
      path="*"
      element={
        <>
          <ScanAnywhere />
          <Bench takes={takes} />
        </>
      }
    />,
    '/bench',
    shop(),
    FITTER,
  );

describe('a scanner on any screen', () => {
  it('opens the vehicle whose plate it reads, and presses no shortcut on the way', async () => {
    const { here } = open();
    scan('tg14klo');
    await waitFor(() => expect(here()).toBe('/vehicles/v1'));
    expect(screen.getByText('pressed 0')).toBeVisible();
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
  });
  it('asks the screen in view first', async () => {
    const takes = jest.fn((code: string) => code === 'HL-3105');
    const { here } = open(takes);
    scan('HL-3105');
    expect(takes).toHaveBeenCalledWith('HL-3105');
    expect(here()).toBe('/bench');
    expect(screen.queryByRole('dialog')).toBeNull();
  });
  it('says when nothing is called so, and looks for it in the open', async () => {
    open();
    scan('zz-999');
    expect(await screen.findByText('Nothing in the shop answers to that.')).toBeVisible();
    expect(screen.getByRole('combobox')).toHaveValue('zz-999');
  });
  it('lets a few letters that were drummed through, each in its turn', async () => {
    const { user } = open();
    await user.keyboard('tt');
    expect(await screen.findByText('pressed 2')).toBeVisible();
  });
  it('does a letter before the touch that came after it', async () => {
    const { user } = open();
    await user.keyboard('t');
    await user.click(screen.getByRole('button', { name: 'Times ten' }));
    expect(screen.getByText('pressed 10')).toBeVisible();
  });
  it('lets a letter pressed by hand through', async () => {
    const { user } = open();
    await user.keyboard('t');
    expect(await screen.findByText('pressed 1')).toBeVisible();
  });
});

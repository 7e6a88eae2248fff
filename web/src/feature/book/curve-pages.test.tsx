import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, screen, within } from '@testing-library/react';
import { Route } from 'react-router';
import type { KeptCurve } from '#core/record/curve-spread.ts';
import ShopData from '../../shop/ShopData.tsx';
import { FITTER, Shop, stage } from '../../test/stage.tsx';
import { CurvePages } from './CurvePages.tsx';

afterEach(cleanup);

const curve = (revision: number, nmPerDeg: number, number: string): KeptCurve => ({
  revision,
  number,
  job: `job-${number}`,
  atMs: Number(number),
  kind: 'good',
  points: Array.from({ length: 40 }, (_, deg) => [deg, nmPerDeg * deg] as const),
});
const show = (answer: object) =>
  stage(
    <Route
      path="*"
      element={
        <ShopData>
          <CurvePages kit="guard" stations={['Guard, 1 left', 'Guard, 2 right']} />
        </ShopData>
      }
    />,
    '/book',
    new Shop().on('GET /book/kit/curves', answer as never),
    FITTER,
  );

describe('curves over revisions', () => {
  it('stand over each other, the newest solid, with what each revision was like', async () => {
    show({ body: { station: 'Guard, 1 left', curves: [curve(3, 1.5, '31'), curve(3, 1.7, '32'), curve(2, 1, '21')] } });
    const table = await screen.findByRole('table');
    const rows = within(table).getAllByRole('row').slice(1);
    expect(rows.map((row) => row.textContent)).toEqual([
      expect.stringMatching(/^32\s*1\.60.*good/i),
      expect.stringMatching(/^21\s*1\.00.*good/i),
    ]);
    expect(screen.getByRole('img', { name: 'Torque over angle of Guard, 1 left, 3 pulls' })).toBeVisible();
    expect(screen.getByText('Solid: revision 3. Dashed: earlier ones.')).toBeVisible();
  });
  it('says when no wrench gave one', async () => {
    show({ body: { station: 'x', curves: [] } });
    expect(await screen.findByText('No wrench has given a curve of it yet.')).toBeVisible();
  });
  it('says what could not be read', async () => {
    show({ problem: { code: 'storeUnavailable', status: 503 } });
    expect(await screen.findByRole('alert')).toBeVisible();
  });
});

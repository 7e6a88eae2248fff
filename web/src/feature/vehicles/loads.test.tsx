import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { readHitchPart } from '../kits/edit/LoadsFields.tsx';
import { Loads, towLink } from './Loads.tsx';

afterEach(cleanup);

const VEHICLE = {
  id: 'v 1',
  make: 'Tolvan',
  model: 'Gorse 2.4',
  plate: '14-231',
  owner: 'Survey',
  ratings: { kerbKg: 2000, grossKg: 2900, towKg: 3000 },
  dimensions: { wheelbaseMm: 3000, hitchBehindMm: 1200, kerbFrontKg: 1100 },
};

describe('what a vehicle may carry', () => {
  it('stands with its sum, its plate, and the way to a trailer day', () => {
    render(<Loads vehicle={VEHICLE} />, { wrapper: MemoryRouter });
    expect(screen.getByText('People, cargo and the ball’s load').nextElementSibling).toHaveTextContent('900 kg');
    expect(screen.getByText('3,000 kg, by the vehicle')).toBeVisible();
    expect(screen.getByRole('link', { name: 'Plate for the glove box' })).toHaveAttribute(
      'href',
      '/api/vehicles/v%201/plate.pdf',
    );
    expect(screen.getByText(/Kits do not raise what the vehicle’s plate says/)).toBeVisible();
  });
  it('says where nobody entered anything', () => {
    const { ratings: _, dimensions: __, ...bare } = VEHICLE;
    render(<Loads vehicle={bare} />, { wrapper: MemoryRouter });
    expect(screen.getByText(/Nothing of its plate has been entered/)).toBeVisible();
  });
  it('takes what is known along to the bench, and leaves unknown ratings empty there', () => {
    const query = new URLSearchParams(towLink(VEHICLE).split('?')[1]);
    expect(Object.fromEntries(query)).toEqual({
      kerb: '2000',
      kerbFront: '55',
      wheelbase: '3000',
      behind: '1200',
      gross: '2900',
      front: '',
      rear: '',
      both: '',
      towed: '3000',
      ball: '',
    });
  });
});

describe('a part of a hitch, as it is typed', () => {
  it.each([
    ['receiver 3500/150', { name: 'receiver', trailerKg: 3500, tongueKg: 150 }],
    ['drop mount 2700/-', { name: 'drop mount', trailerKg: 2700 }],
    ['ball -/ 100', { name: 'ball', tongueKg: 100 }],
  ])('%s', (text, part) => expect(readHitchPart(text)).toEqual(part));
  it.each(['receiver', '3500/150', 'receiver 3500', 'receiver heavy/150'])('%s is none', (text) =>
    expect(readHitchPart(text)).toBeUndefined(),
  );
});

import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it, jest } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { Correction } from '#core/kit/draft/correct-draft.ts';
import type { Assumption } from '#core/kit/draft/drafting.ts';
import { AssumptionRow } from './AssumptionRow.tsx';

afterEach(cleanup);

const row = (code: Assumption['code']) => {
  const settled = jest.fn<(correction: Correction) => void>();
  render(
    <ul>
      <AssumptionRow
        assumption={{ path: 'groups[0]', code, about: 'Lug nuts' }}
        drives={[{ kind: 'hex', acrossFlatsMm: 27 }]}
        onSettle={settled}
      />
    </ul>,
  );
  return settled;
};

describe('an assumption of a draft', () => {
  it('of a number is settled by a tap, or by another number and Enter', async () => {
    const settled = row('countAssumed');
    await userEvent.click(screen.getByRole('button', { name: '5 of them' }));
    expect(settled).toHaveBeenLastCalledWith({ says: 'stations', count: 5 });
    await userEvent.type(screen.getByLabelText('Another number'), '7{Enter}');
    expect(settled).toHaveBeenLastCalledWith({ says: 'stations', count: 7 });
  });
  it('takes no number that no joint has', async () => {
    const settled = row('countAssumed');
    await userEvent.type(screen.getByLabelText('Another number'), '0{Enter}');
    expect(screen.getByRole('button', { name: '1 to 200' })).toBeDisabled();
    expect(screen.getByLabelText('Another number')).toBeInvalid();
    expect(settled).not.toHaveBeenCalled();
  });
  it('of a drive offers what the sheet names first', async () => {
    const settled = row('driveUnknown');
    expect(screen.getAllByRole('button')[0]).toHaveTextContent('27 mm socket');
    await userEvent.click(screen.getByRole('button', { name: '19 mm socket' }));
    expect(settled).toHaveBeenLastCalledWith({ says: 'drive', drive: { kind: 'hex', acrossFlatsMm: 19 } });
  });
  it('of a compound can be nothing at all', async () => {
    const settled = row('strengthAssumed');
    await userEvent.click(screen.getByRole('button', { name: 'Nothing' }));
    expect(settled).toHaveBeenLastCalledWith({ says: 'compound', compound: 'none' });
  });
  it('of a thing that comes off has three ends, and may stand as it is', async () => {
    const settled = row('fateUnknown');
    await userEvent.click(screen.getByRole('button', { name: 'Scrapped' }));
    expect(settled).toHaveBeenLastCalledWith({ says: 'fate', fate: 'scrap' });
    await userEvent.click(screen.getByRole('button', { name: 'As it stands' }));
    expect(settled).toHaveBeenLastCalledWith({ says: 'right' });
  });
  it('that only the kit’s editor can settle is seen and put aside', async () => {
    const settled = row('positionsUnknown');
    await userEvent.click(screen.getByRole('button', { name: 'Seen' }));
    expect(settled).toHaveBeenLastCalledWith({ says: 'right' });
  });
});

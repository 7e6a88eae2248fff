import '@testing-library/jest-dom/jest-globals';
import { describe, expect, it } from '@jest/globals';
import { render, screen } from '@testing-library/react';
import type { Check } from '#core/kit/kit-preparation.ts';
import { FRONT_CAMBER as front, REAR_CAMBER as rear } from '#core/line/fixture/camber-checks.ts';
import { STRUT_LIFT_40 } from '#demo/kits.ts';
import { NotForThisOne } from './NotForThisOne.tsx';

const early: Check = { ...front, id: 'early', target: -0.8, when: { question: 'modelYear', atMost: 2015 } };

const show = (checks: Check[], applying: Check[]) =>
  render(
    <NotForThisOne
      line={{
        plan: { checks: applying.map((check) => ({ ...check, kit: '', because: [] })) },
        document: {
          kits: [
            {
              prefix: '',
              document: {
                ...STRUT_LIFT_40,
                questions: [{ id: 'modelYear', text: 'Model year?', kind: 'number', min: 1950, max: 2060 }],
                checks,
              },
            },
          ],
        },
      }}
      act={{ action: { type: 'align', check: 'front' } as never }}
    />,
  );

describe('a figure that is not for this one', () => {
  it('stands under the aim with its wheels, or with its year', () => {
    show([front, rear, early], [front, rear]);
    expect(screen.getByRole('heading', { name: 'Not for this one' })).toBeVisible();
    expect(screen.getByText('rear left and rear right: -1.5 to -0.5 °')).toBeVisible();
    expect(screen.getByText('Model year ≤ 2015: -1.3 to -0.3 °')).toBeVisible();
  });
  it('is not there where nothing could be confused', () => {
    const { container } = show([front], [front]);
    expect(container).toBeEmptyDOMElement();
  });
});

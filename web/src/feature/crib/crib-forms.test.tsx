import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { Route } from 'react-router';
import type { Crib, CribWrench } from '#contract/crib.ts';
import { demoBottles, demoTools } from '#demo/crib.ts';
import { DEMO_PEOPLE, demoWrenches } from '#demo/shop.ts';
import { FITTER, Shop, stage } from '../../test/stage.tsx';
import Compounds from './Compounds.tsx';
import CribShell from './CribShell.tsx';
import Tools from './Tools.tsx';
import Wrenches from './Wrenches.tsx';

afterEach(cleanup);

const NOW = Date.now();
const ROUTES = (
  <Route path="/crib" element={<CribShell />}>
    <Route index element={<Wrenches />} />
    <Route path="tools" element={<Tools />} />
    <Route path="compounds" element={<Compounds />} />
  </Route>
);
const WRENCH = {
  ...demoWrenches(NOW)[0],
  id: 'w-1',
  label: 'W-1',
  kind: 'click',
  fullScaleNm: 25,
  scaleUnit: 'N·m',
  calibrationDueOn: '2099-01-01',
  checks: [],
} as unknown as CribWrench;
const CRIB: Crib = {
  wrenches: [WRENCH],
  tools: demoTools(),
  bottles: demoBottles(NOW),
  temperatures: [],
  rechecks: [],
  people: DEMO_PEOPLE.map(({ id, name }) => ({ id, name })),
};
const LEAD = { ...FITTER, person: { ...FITTER.person, role: 'lead' as const } };
const shop = () => new Shop().on('GET /crib', { body: CRIB }).on('GET /jobs', { body: [] });
async function open(at: string, button: RegExp | string, given = shop()) {
  const staged = stage(ROUTES, `/crib${at}`, given, LEAD);
  await staged.user.click(await screen.findByRole('button', { name: button }));
  return { ...staged, sheet: await screen.findByRole('dialog') };
}
const field = (label: string | RegExp) => screen.getByLabelText(label);
const keep = () => screen.getByRole('button', { name: 'Keep it' });

describe('a wrench, new or changed', () => {
  it('without a name or a scale is not kept, and says what is missing', async () => {
    const { user, shop: asked } = await open('', 'Add a wrench');
    expect(keep()).toBeDisabled();
    await user.type(field('Serial number'), '4711');
    await user.click(keep());
    expect(await screen.findByText('the top of the scale is needed')).toBeVisible();
    expect(field('Painted on the handle')).toHaveAttribute('aria-invalid', 'true');
    expect(asked.sent('POST')).toEqual([]);
  });
  it('figures are typed in the unit of its scale and kept in newton metres', async () => {
    const { user, shop: asked } = await open(
      '',
      'Add a wrench',
      shop().on('POST /crib/wrenches', { body: {}, status: 201 }),
    );
    await user.type(field('Painted on the handle'), 'W-9');
    await user.selectOptions(field('Scale in'), 'lbf·ft');
    await user.type(field('Top of the scale, lbf·ft'), '150');
    await user.type(field('Lowest, lbf·ft'), '30,5');
    await user.click(keep());
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    const sent = asked.sent('POST')[0]?.body as { fullScaleNm: number; lowestNm: number };
    // 1 lbf·ft is 1.355 817 948 N·m (NIST SP 811).
    expect(sent.fullScaleNm).toBeCloseTo(150 * 1.3558179483, 6);
    expect(sent.lowestNm).toBeCloseTo(30.5 * 1.3558179483, 6);
  });
  it.each(['-5', '0', 'much'])('a scale of %s is refused at its field', async (typed) => {
    const { user } = await open('', 'Add a wrench');
    await user.type(field('Painted on the handle'), 'W-9');
    await user.type(field(/^Top of the scale/), typed);
    await user.click(keep());
    expect(await screen.findByText('must be a number above 0')).toBeVisible();
  });
  it('a label that is taken: the reason is said, and what was typed stays', async () => {
    const taken = { problem: { code: 'labelTaken', status: 409, title: 'Another wrench has this label' } } as const;
    const { user, sheet } = await open('', 'Add a wrench', shop().on('POST /crib/wrenches', taken));
    await user.type(field('Painted on the handle'), 'W-1');
    await user.type(field(/^Top of the scale/), '100');
    await user.click(keep());
    expect(await screen.findByText('Another wrench has this label')).toBeInTheDocument();
    expect(sheet).toBeVisible();
    expect(field('Painted on the handle')).toHaveValue('W-1');
  });
});

describe('a calibration', () => {
  const cells = () => screen.getAllByRole('textbox', { name: /percent, pull/ });
  const fill = (share = 1) => {
    for (const cell of cells()) {
      const percent = Number(/^(\d+)/.exec(cell.getAttribute('aria-label') ?? '')?.[1]);
      fireEvent.change(cell, { target: { value: String((25 * percent * share) / 100) } });
    }
  };
  it('wants fifteen readings before it can be kept', async () => {
    await open('', 'Calibrate');
    expect(cells()).toHaveLength(15);
    expect(screen.getByText('Fifteen readings make a calibration.')).toBeVisible();
    expect(keep()).toBeDisabled();
  });
  it('all true: within limits, and kept with its certificate', async () => {
    const { user, shop: asked } = await open(
      '',
      'Calibrate',
      shop().on('POST /crib/wrenches/w-1/checks', { body: { locked: false, check: {} }, status: 201 }),
    );
    fill();
    expect(screen.getByText('Within limits at all three points.')).toBeVisible();
    await user.type(field('Certificate number'), 'C-81');
    await user.click(keep());
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    expect(asked.sent('POST')[0]?.body).toMatchObject({ kind: 'calibration', certificate: 'C-81' });
    expect(asked.sent('POST')[0]?.body).toHaveProperty('readings.length', 15);
  });
  it('one reading past the limit is red, and keeping it is said to lock the wrench', async () => {
    await open('', 'Calibrate');
    fill();
    const [first] = cells();
    fireEvent.change(first as HTMLElement, { target: { value: '9' } });
    expect(first).toHaveAttribute('aria-invalid', 'true');
    expect(screen.getByText('Out of limits: keeping this locks the wrench.')).toBeVisible();
  });
  it('a reading that is none does not count as one', async () => {
    await open('', 'Calibrate');
    fill();
    fireEvent.change(cells()[0] as HTMLElement, { target: { value: 'five' } });
    expect(screen.getByText('Fifteen readings make a calibration.')).toBeVisible();
  });
  it('a tester that cannot be reached says so, and keeps what was read', async () => {
    const { user } = await open('', 'Calibrate', shop().on('POST /crib/tester', 'unreachable'));
    fill();
    await user.click(screen.getByRole('button', { name: 'Pull on the tester' }));
    expect(await screen.findByText(/The server cannot be reached/)).toBeVisible();
    expect(cells()[3]).not.toHaveValue('');
  });
});

describe('a check-pull', () => {
  const pulls = (...references: number[]) => {
    let at = 0;
    return shop()
      .on('POST /crib/tester', ({ body }) => {
        const referenceNm = references[at] ?? 0;
        at += 1;
        return { body: { setNm: (body as { setNm: number }).setNm, referenceNm } };
      })
      .on('POST /crib/wrenches/w-1/checks', { body: { locked: false, check: {} }, status: 201 });
  };
  const setting = (sheet: HTMLElement) => Number(/Set it to([\d.]+)/.exec(sheet.textContent ?? '')?.[1]);
  const press = async (user: { click(target: Element): Promise<void> }, name: RegExp) =>
    user.click(await screen.findByRole('button', { name }));
  it('three true pulls are kept as one check, once', async () => {
    const given = pulls();
    const { user, sheet, shop: asked } = await open('', 'Check-pull', given);
    const nm = setting(sheet);
    given.on('POST /crib/tester', { body: { setNm: nm, referenceNm: nm } });
    for (let pull = 1; pull <= 3; pull++) await press(user, new RegExp(`Pull ${pull} of 3`));
    expect(await screen.findByText(/^Within ±/)).toBeVisible();
    await press(user, /Keep the check/);
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    const checks = asked.sent('POST').filter(({ path }) => path.endsWith('/checks'));
    expect(checks).toHaveLength(1);
    expect(checks[0]?.body).toHaveProperty('readings.length', 3);
  });
  it('one past the limit: red, and keeping it locks the wrench', async () => {
    const given = pulls();
    const { user, sheet } = await open('', 'Check-pull', given);
    const nm = setting(sheet);
    given.on('POST /crib/tester', { body: { setNm: nm, referenceNm: nm * 1.2 } });
    for (let pull = 1; pull <= 3; pull++) await press(user, new RegExp(`Pull ${pull} of 3`));
    expect(await screen.findByText(/^Out of limits/)).toHaveClass('text-bad');
    expect(screen.getByRole('button', { name: /Keep it and lock the wrench/ })).toBeVisible();
  });
  it('without the tester says so, and no pull is counted', async () => {
    const { user } = await open('', 'Check-pull', shop().on('POST /crib/tester', 'unreachable'));
    await press(user, /Pull 1 of 3/);
    expect(await screen.findByText(/The server cannot be reached/)).toBeVisible();
    expect(screen.getByRole('button', { name: /Pull 1 of 3/ })).toBeVisible();
  });
});

describe('a tool', () => {
  it.each([
    ['hex', '16', { kind: 'hex', acrossFlatsMm: 16 }],
    ['hex', '3/4', { kind: 'hex', acrossFlatsMm: expect.closeTo(19.05, 9), inch: true }],
    ['hexKey', '6', { kind: 'hexKey', acrossFlatsMm: 6 }],
    ['sixLobe', 't40', { kind: 'sixLobe', size: 'T40' }],
  ])('that grips %s of size %s is kept as what it is', async (grip, size, drive) => {
    const { user, shop: asked } = await open(
      '/tools',
      'Add a tool',
      shop().on('POST /crib/tools', { body: {}, status: 201 }),
    );
    await user.type(field('Called'), 'A tool');
    await user.selectOptions(field('Grips'), grip);
    await user.type(field('Size'), size);
    await user.click(keep());
    await waitFor(() => expect(asked.sent('POST')).toHaveLength(1));
    expect(asked.sent('POST')[0]?.body).toMatchObject({ name: 'A tool', drive });
  });
  it.each([
    ['hex', 'M10'],
    ['hex', ''],
    ['sixLobe', '40'],
    ['hexKey', '-3'],
  ])('that grips %s is not of size “%s”: a thread is no size of a tool', async (grip, size) => {
    const { user, shop: asked } = await open('/tools', 'Add a tool');
    await user.type(field('Called'), 'A tool');
    await user.selectOptions(field('Grips'), grip);
    if (size) await user.type(field('Size'), size);
    await user.click(keep());
    expect(await screen.findByText(/a size is needed, like/)).toBeVisible();
    expect(asked.sent('POST')).toEqual([]);
  });
  it('a special grips nothing and needs no size', async () => {
    const { user, shop: asked } = await open(
      '/tools',
      'Add a tool',
      shop().on('POST /crib/tools', { body: {}, status: 201 }),
    );
    await user.type(field('Called'), 'Spring compressor');
    await user.selectOptions(field('Grips'), 'none');
    expect(screen.queryByLabelText('Size')).toBeNull();
    await user.click(keep());
    await waitFor(() => expect(asked.sent('POST')).toHaveLength(1));
    expect(asked.sent('POST')[0]?.body).not.toHaveProperty('drive');
  });
  it('one that is changed shows what it is, and can be taken off the wall', async () => {
    const [tool] = demoTools();
    if (!tool) throw new Error('a tool');
    const { user, shop: asked } = await open(
      '/tools',
      `Change ${tool.name}`,
      shop().on(`DELETE /crib/tools/${tool.id}`, { body: undefined, status: 204 }),
    );
    expect(field('Called')).toHaveValue(tool.name);
    await user.click(screen.getByRole('button', { name: 'Take off the wall' }));
    await waitFor(() => expect(asked.sent('DELETE')).toHaveLength(1));
  });
});

describe('a bottle', () => {
  it('needs its name, lot and date; what is missing is said at its field', async () => {
    const { user, shop: asked, sheet } = await open('/compounds', 'Put one on the shelf');
    await user.click(within(sheet).getByRole('button', { name: 'Put it there' }));
    await waitFor(() => expect(field('Called')).toHaveAttribute('aria-invalid', 'true'));
    expect(field('Lot')).toHaveAttribute('aria-invalid', 'true');
    expect(asked.sent('POST')).toEqual([]);
  });
  it('is put there as printed on it; a sheet that is silent on its open life leaves it out', async () => {
    const {
      user,
      shop: asked,
      sheet,
    } = await open(
      '/compounds',
      'Put one on the shelf',
      shop().on('POST /crib/bottles', { body: { id: 'b' }, status: 201 }),
    );
    await user.type(field('Called'), 'Medium locker');
    await user.type(field('Lot'), 'M-1');
    fireEvent.change(field('Use by'), { target: { value: '2028-01-31' } });
    await user.click(within(sheet).getByRole('button', { name: 'Put it there' }));
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    const sent = asked.sent('POST')[0]?.body as Record<string, unknown>;
    expect(sent).toMatchObject({ name: 'Medium locker', sizeMl: 50, storeMaxC: 28, expiresOn: '2028-01-31' });
    expect(sent.openMonths).toBeUndefined();
  });
});

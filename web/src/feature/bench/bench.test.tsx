import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, screen, waitFor, within } from '@testing-library/react';
import { Route } from 'react-router';
import { useSettings } from '../../shop/settings.ts';
import { FITTER, Shop, stage } from '../../test/stage.tsx';
import Bench from './Bench.tsx';
import { BENCH_TOOLS } from './tools/all-tools.ts';

afterEach(() => {
  cleanup();
  useSettings.setState({ system: 'metric' });
});

const ROUTES = (
  <>
    <Route path="/bench" element={<Bench />} />
    <Route path="/bench/:tool" element={<Bench />} />
  </>
);
const JOB = '11111111-1111-4111-8111-111111111111';
const CARD = { id: JOB, number: '261127-1', kitTitle: 'Guard', vehicle: { model: 'Tussock' }, progress: {} };
const LEAD = { ...FITTER, person: { ...FITTER.person, role: 'lead' as const } };
const bench = (at = '', shop = new Shop(), session = FITTER) => stage(ROUTES, `/bench${at}`, shop, session);

describe('the bench', () => {
  it('shows every tool with what it says and how to ask for it', async () => {
    bench();
    const links = await screen.findAllByRole('link');
    for (const tool of BENCH_TOOLS) expect(links.some((link) => link.textContent?.includes(tool.title))).toBe(true);
  });
  it('a tool that is not there is said, and the others are shown', async () => {
    bench('/no-such-tool');
    expect(await screen.findByRole('alert')).toHaveTextContent('No tool “no-such-tool” hangs here.');
    expect(screen.getByText(BENCH_TOOLS[0]?.title ?? '')).toBeVisible();
  });
  it('a typed line means a tool with its values; Enter takes the first', async () => {
    const { user, here } = bench();
    await user.type(await screen.findByRole('combobox'), 'm12 10.9');
    await user.keyboard('{Enter}');
    await waitFor(() => expect(here()).toMatch(/^\/bench\/torque\?.*thread=M12/));
    expect(here()).toContain('10.9');
  });
  it('a line that means nothing says what can be typed', async () => {
    const { user } = bench();
    await user.type(await screen.findByRole('combobox'), 'qqqq');
    expect(await screen.findByText(/Nothing on the bench answers to that/)).toBeVisible();
  });
});

describe('a tool', () => {
  it('works on what stands in the address, and writes what is typed there', async () => {
    const { user, here } = bench('/torque?thread=M12&torque=80');
    expect(await screen.findByLabelText('Thread')).toHaveValue('M12');
    const before = screen
      .getAllByRole('status')
      .map(({ textContent }) => textContent)
      .join();
    await user.clear(screen.getByRole('textbox', { name: /^Torque/ }));
    await user.type(screen.getByRole('textbox', { name: /^Torque/ }), '40');
    expect(here()).toContain('torque=40');
    expect(
      screen
        .getAllByRole('status')
        .map(({ textContent }) => textContent)
        .join(),
    ).not.toBe(before);
  });
  it('a field that cannot be read gives no figure, and says which and why', async () => {
    bench('/torque?thread=M12&torque=spanner');
    expect(await screen.findByText('No figure')).toBeVisible();
    expect(screen.getByText(/^Torque: /)).toBeVisible();
  });
  it('remarks stand beneath, in the units chosen', async () => {
    bench('/engagement?depth=8');
    expect(await screen.findByText(/Too short by [\d.]+ mm/)).toHaveClass('text-bad');
    cleanup();
    useSettings.setState({ system: 'inch' });
    bench('/engagement?depth=8');
    expect(await screen.findByText(/Too short by [\d.]+ in/)).toBeVisible();
  });
  it('says where its figures come from', async () => {
    bench('/torque');
    const source = await screen.findByText('Where does this come from?');
    expect(source.parentElement).toHaveTextContent('VDI 2230');
  });
});

describe('a result put on a job', () => {
  const shop = () => new Shop().on('GET /jobs', { body: [CARD] });
  const taken = { body: { results: [{ id: 'x', ok: true, repeated: false }], events: [], seq: 1 } };
  const refused = (code: string) => ({
    body: { results: [{ id: 'x', ok: false, refusal: { code } }], events: [], seq: 0 },
  });
  const begin = async (given: Shop, session = LEAD) => {
    const staged = bench('/torque?torque=40', given, session);
    await staged.user.click(await screen.findByRole('button', { name: 'Use in a job' }));
    const sheet = await screen.findByRole('dialog');
    await within(sheet).findByRole('option', { name: /261127-1/ });
    return { ...staged, sheet };
  };
  it('only a lead signs it', async () => {
    const { sheet } = await begin(shop(), FITTER);
    expect(within(sheet).getByText(/A lead signs this/)).toBeVisible();
    expect(within(sheet).getByRole('button', { name: 'Record it' })).toBeDisabled();
  });
  it('wants a job and a reason, and then says who recorded it', async () => {
    const { user, sheet, shop: asked } = await begin(shop().on(`POST /jobs/${JOB}/commands`, taken));
    const record = within(sheet).getByRole('button', { name: 'Record it' });
    await user.selectOptions(within(sheet).getByLabelText('Job'), JOB);
    expect(record).toBeDisabled();
    await user.type(within(sheet).getByLabelText('Why'), 'sheet is silent');
    await user.click(record);
    expect(await within(sheet).findByText(/Recorded by/)).toBeVisible();
    expect(asked.sent('POST')[0]?.body).toMatchObject({
      commands: [{ by: 'u-vane', command: { type: 'useCalculation', tool: 'torque', reason: 'sheet is silent' } }],
    });
  });
  it.each([
    ['jobClosed', 'The job is closed meanwhile.'],
    ['notPermitted', 'Only a lead may put a figure of the bench to use.'],
    ['outOfOrder', 'The job would not take it.'],
  ])('refused with %s, the reason is said and the words stay', async (code, words) => {
    const { user, sheet } = await begin(shop().on(`POST /jobs/${JOB}/commands`, refused(code)));
    await user.selectOptions(within(sheet).getByLabelText('Job'), JOB);
    await user.type(within(sheet).getByLabelText('Why'), 'because');
    await user.click(within(sheet).getByRole('button', { name: 'Record it' }));
    expect(await within(sheet).findByRole('alert')).toHaveTextContent(words);
    expect(within(sheet).getByLabelText('Why')).toHaveValue('because');
  });
  it('offline it is not recorded, and says so', async () => {
    const { user, sheet } = await begin(shop().on(`POST /jobs/${JOB}/commands`, 'unreachable'));
    await user.selectOptions(within(sheet).getByLabelText('Job'), JOB);
    await user.type(within(sheet).getByLabelText('Why'), 'because');
    await user.click(within(sheet).getByRole('button', { name: 'Record it' }));
    expect(await within(sheet).findByRole('alert')).toHaveTextContent('The server cannot be reached');
  });
  it('a value that no job may take cannot be put on one', async () => {
    bench('/value?tag=brake');
    expect(await screen.findByRole('button', { name: 'Use in a job' })).toBeDisabled();
  });
});

import '@testing-library/jest-dom/jest-globals';
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { JobCommand } from '#core/job/acts.ts';
import type { BasisClash } from '#core/job/figure-basis.ts';
import { indexOf, type PlanStation } from '#core/kit/plan.ts';
import { clickSetting } from '#core/wrench/click-setting.ts';
import { platesSnug, WRENCHES } from '#demo/try-job.ts';
import { roleInDrill, useInDrill } from '../../../job/in-drill.ts';
import { AdapterFields } from './AdapterFields.tsx';
import { BasisChoice } from './BasisChoice.tsx';
import { BottlePick } from './BottlePick.tsx';
import { PlainReading } from './PlainReading.tsx';
import { RunDown } from './RunDown.tsx';
import { SeatFirst } from './SeatFirst.tsx';
import { SlotPanel } from './SlotPanel.tsx';
import { StagePanel } from './StagePanel.tsx';
import { StartPanel } from './StartPanel.tsx';
import { StationPanel } from './StationPanel.tsx';
import StationSheet, { whyNotYet } from './StationSheet.tsx';
import { TyreBar } from './TyreBar.tsx';
import { useBottles } from './use-bead.ts';
import type { TorqueStep } from './use-torque-step.ts';
import { standsAt, useWrenchSetting } from './wrench-setting.ts';

beforeEach(() => {
  useWrenchSetting.setState({ wrench: undefined, settingNm: undefined, adapter: undefined });
  useBottles.setState({ bottles: {} });
});
afterEach(cleanup);

const BAND = { targetNm: 60, minNm: 57, maxNm: 63 };
const CLICK = WRENCHES.find(({ id }) => id === 'w-4');
if (!CLICK) throw new Error('no click wrench');

/** What a part of the torque screen reads; what it gives is kept. */
function torqueOf(over: Partial<TorqueStep> = {}) {
  const { worker, first } = platesSnug();
  const { plan, state } = worker.log;
  const given: JobCommand[] = [];
  const typed: unknown[] = [];
  const torque = {
    plan,
    state,
    index: indexOf(plan),
    document: { bottles: [] },
    group: plan.groups[0],
    station: indexOf(plan).stations.get(first),
    band: BAND,
    wrench: { wrench: CLICK, faults: [] },
    give: (command: JobCommand) => given.push(command) > 0,
    type: (...args: unknown[]) => typed.push(args) > 0,
    bead: { hole: false, said: {} },
    ...over,
  } as unknown as TorqueStep;
  return { torque, given, typed };
}
const station = (torque: TorqueStep): PlanStation => torque.station as PlanStation;

describe('a beam that is read', () => {
  it('says which way it errs, and how finely it reads', () => {
    const beam = { ...CLICK, kind: 'beam' as const, divisionNm: 2, scaleUnit: 'N·m' as const };
    render(<PlainReading torque={torqueOf({ wrench: { wrench: beam, faults: [] } as TorqueStep['wrench'] }).torque} />);
    expect(screen.getByText(/From the side of the higher figures it reads too little/)).toHaveTextContent('±1 N·m');
    cleanup();
    render(<PlainReading torque={torqueOf().torque} />);
    expect(screen.queryByText(/square onto the pointer/)).toBeNull();
  });
});

describe('the setting of a wrench that clicks', () => {
  const setting = clickSetting(CLICK, BAND);
  it('is the mark of its scale nearest the target that lies in the band', () => {
    // 60 N·m are 44.25 lbf·ft; the wrench is marked in whole lbf·ft.
    expect(setting).toMatchObject({ value: 44, unit: 'lbf·ft' });
    expect(setting && standsAt({ wrench: 'w-4', settingNm: setting.settingNm }, 'w-4', setting.settingNm)).toBe(true);
    expect(setting && standsAt({ wrench: 'w-1', settingNm: setting.settingNm }, 'w-4', setting.settingNm)).toBe(false);
  });
  it('is asked for before any reading, and says where it still stands', () => {
    useWrenchSetting.setState({ wrench: 'w-4', settingNm: 100 });
    const { torque } = torqueOf({ setting, isSet: false });
    render(<PlainReading torque={torque} />);
    expect(screen.getByText('Set W-4 to')).toBeVisible();
    expect(screen.getByText('44 lbf·ft')).toBeVisible();
    expect(screen.getByText(/It still stands at 73.8 lbf·ft/)).toBeVisible();
    expect(screen.queryByLabelText(/^Reading from/)).toBeNull();
  });
  it('another wrench is announced', () => {
    useWrenchSetting.setState({ wrench: 'w-1', settingNm: 10 });
    render(<PlainReading torque={torqueOf({ setting, isSet: false }).torque} />);
    expect(screen.getByText('Another wrench than the pull before.')).toBeVisible();
  });
  it('set, it takes a reading, or that it clicked and nothing turned', async () => {
    const { torque, typed } = torqueOf({ setting, isSet: true });
    render(<PlainReading torque={torque} />);
    expect(screen.getByLabelText('Reading from W-4')).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'It clicked and nothing turned' }));
    expect(typed).toEqual([[44, 'lbf·ft', { movementDeg: 0 }]]);
  });
  it('through an adapter the setting is large, the torque at the bolt beneath', () => {
    const through = { wrenchLengthMm: 400, offsetMm: 100, angleDeg: 0 };
    render(
      <PlainReading torque={torqueOf({ setting: clickSetting(CLICK, BAND, through), isSet: false, through }).torque} />,
    );
    // 60 · 400 / 500 = 48 N·m = 35.4 lbf·ft.
    expect(screen.getByText('35 lbf·ft')).toBeVisible();
    expect(screen.getByText(/at the bolt/)).toHaveTextContent('43.8 lbf·ft at the bolt');
  });
});

describe('an adapter', () => {
  it('says what to set before it is used, and refuses one without a lever', async () => {
    let used: unknown;
    const { torque } = torqueOf({ takeAdapter: (adapter: unknown) => (used = adapter) } as Partial<TorqueStep>);
    render(<AdapterFields torque={torque} />);
    const user = userEvent.setup();
    await user.type(screen.getByLabelText('Adapter, square to bolt, mm'), '400');
    await user.click(screen.getByRole('button', { name: 'Folded back' }));
    expect(screen.getByRole('status')).toHaveTextContent('leave no lever');
    expect(screen.getByRole('button', { name: 'Use the adapter' })).toBeDisabled();
    await user.click(screen.getByRole('button', { name: 'Across' }));
    await user.click(screen.getByRole('button', { name: 'Use the adapter' }));
    expect(used).toEqual({ wrenchLengthMm: 400, offsetMm: 400, angleDeg: 90 });
  });
});

describe('the bottle', () => {
  const GOOD = { id: 'b-1', name: 'Blue', kind: 'threadlockerMedium' as const, lot: '0411', lastDay: '2027-01-01' };
  const LOCKER = { id: 'locker', name: 'Medium locker', kind: 'threadlockerMedium' as const };
  const withShelf = (bottles: object[]) => torqueOf({ document: { bottles } } as unknown as Partial<TorqueStep>);
  it('is picked or scanned by its lot; a wrong one says why', async () => {
    const paste = { ...GOOD, id: 'b-2', name: 'Paste', kind: 'antiSeize', lot: '77' };
    const old = { ...GOOD, id: 'b-3', lot: '0300', fault: 'printed' };
    const { torque } = withShelf([GOOD, paste, old]);
    render(<BottlePick torque={torque} compound={LOCKER} />);
    const user = userEvent.setup();
    const scan = async (lot: string) => {
      await user.clear(screen.getByLabelText('or scan or type its lot'));
      await user.type(screen.getByLabelText('or scan or type its lot'), `${lot}{Enter}`);
    };
    await scan('77');
    expect(screen.getByRole('status')).toHaveTextContent('Paste is anti-seize: put it back.');
    await scan('0300');
    expect(screen.getByRole('status')).toHaveTextContent('past its date');
    await scan('nothing');
    expect(screen.getByRole('status')).toHaveTextContent('No bottle of this shop');
    await scan('0411');
    expect(useBottles.getState().bottles).toEqual({ threadlockerMedium: 'b-1' });
  });
  it('in hand it is named with its lot, and may be put back', async () => {
    useBottles.setState({ bottles: { threadlockerMedium: 'b-1' } });
    const { torque } = torqueOf({ bead: { hole: false, said: {}, bottle: GOOD } });
    render(<BottlePick torque={torque} compound={LOCKER} />);
    expect(screen.getByText('0411')).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'Another bottle' }));
    expect(useBottles.getState().bottles.threadlockerMedium).toBeUndefined();
  });
  it('none on the shelf is said, and holds nobody up', () => {
    render(<BottlePick torque={withShelf([]).torque} compound={LOCKER} />);
    expect(screen.getByText(/No good bottle of medium locker/)).toBeVisible();
  });
  it('a locker of no named strength waits for a lead', () => {
    const { torque } = torqueOf();
    render(<BottlePick torque={torque} compound={{ ...LOCKER, name: 'Threadlocker', gradeUnknown: true }} />);
    expect(screen.getByText(/Fetch a lead/)).toBeVisible();
    expect(screen.queryByRole('button', { name: 'This product' })).toBeNull();
  });
});

describe('running down', () => {
  it('is only asked where it took torque, in the unit of the sheet', async () => {
    const { torque, given } = torqueOf();
    render(<RunDown torque={torque} />);
    const user = userEvent.setup();
    await user.click(screen.getByRole('button', { name: 'It took torque to run down' }));
    await user.type(screen.getByLabelText(/^Torque while it ran down/), '4{Enter}');
    expect(given).toMatchObject([{ type: 'snug', tool: 'hand' }]);
    expect((given[0] as { runDownNm: number }).runDownNm).toBeGreaterThan(0);
  });
});

describe('a procedure', () => {
  it('shows every stage, the one in hand, and what is done', () => {
    const { torque } = torqueOf();
    const hub: PlanStation = {
      ...station(torque),
      printed: '68 N·m; back off 1 flat; 20 N·m',
      spec: {
        kind: 'procedure',
        stages: [
          { do: 'tighten', torqueNm: 68 },
          { do: 'backOff', deg: 60 },
          { do: 'tap' },
          { do: 'settle', minutes: 10 },
          { do: 'tighten', torqueNm: 20 },
        ],
      },
    };
    render(<StagePanel torque={{ ...torque, station: hub } as TorqueStep} stage={1} />);
    expect(screen.getByText('Stage 2 of 5')).toBeVisible();
    expect(screen.getAllByText('Back off 1 flat (60°)')).toHaveLength(2);
    expect(screen.getByText('Let it settle for 10 min')).toBeVisible();
    expect(screen.getAllByText('done')).toHaveLength(1);
    expect(screen.queryByLabelText(/^Reading/)).toBeNull();
  });
});

describe('a castle nut', () => {
  it('says how far it may go before its ceiling', () => {
    const { torque } = torqueOf();
    const nut: PlanStation = {
      ...station(torque),
      spec: { kind: 'slot', startNm: 40, ceilingNm: 400, slots: 6 },
      stack: station(torque).stack.map((piece) =>
        piece.kind === 'clamped' ? { ...piece, tapped: undefined, material: 'steel' as const } : piece,
      ),
    };
    const { rerender } = render(
      <SlotPanel
        torque={{ ...torque, station: nut, pinThrough: false } as TorqueStep}
        held={{ torqueNm: 40, typed: { value: 40, unit: 'N·m' } }}
        unit="N·m"
      />,
    );
    expect(screen.getByRole('status')).toHaveTextContent('Does the pin go through?');
    rerender(
      <SlotPanel
        torque={{ ...torque, station: { ...nut, stack: [] }, pinThrough: true } as unknown as TorqueStep}
        held={{ torqueNm: 40, typed: { value: 40, unit: 'N·m' } }}
        unit="N·m"
      />,
    );
    expect(screen.getByRole('status')).toHaveTextContent('How are its legs bent?');
  });
});

describe('which torque holds', () => {
  const CLASH: BasisClash = { basis: 'dry', compound: 'antiSeize', printedNm: 60, frictionFactor: 0.7 };
  it('shows both, and is not signed without a reason', async () => {
    const { torque } = torqueOf();
    render(
      <BasisChoice
        torque={{ ...torque, station: { ...station(torque), printed: '60 N·m' } } as TorqueStep}
        clash={CLASH}
      />,
    );
    expect(screen.getByText('60 N·m')).toBeVisible();
    expect(screen.getByText('42 N·m')).toBeVisible();
    const user = userEvent.setup();
    expect(screen.getByRole('button', { name: 'Choose one of both' })).toBeDisabled();
    await user.click(screen.getByRole('button', { name: /For the same load/ }));
    expect(screen.getByRole('button', { name: 'Say why, then sign' })).toBeDisabled();
    await user.click(screen.getByLabelText(/by the product/));
    await user.type(screen.getByLabelText(/^Percent of the dry torque/), '80');
    expect(screen.getByText('48 N·m')).toBeVisible();
    await user.type(screen.getByLabelText(/^Why/), 'salt');
    expect(screen.getByRole('button', { name: 'Sign this figure' })).toBeEnabled();
  });
});

describe('a bearing', () => {
  it('is seated with a reading, in the unit of its sheet', async () => {
    let seat: number | undefined;
    const { torque } = torqueOf({ setSeat: (nm: number | undefined) => (seat = nm) } as Partial<TorqueStep>);
    const spec = { kind: 'bearing', seatNm: 67.79, backOffDeg: 60, finalMinNm: 2, finalMaxNm: 4 } as const;
    render(<SeatFirst torque={torque} spec={spec} unit="lbf·ft" />);
    expect(screen.getByText(/back off/)).toHaveTextContent(
      'Seat it at 50 lbf·ft while it turns, then back off 1 flat (60°)',
    );
    await userEvent.type(screen.getByRole('textbox'), '50');
    expect(seat).toBeCloseTo(67.79, 2);
    await userEvent.clear(screen.getByRole('textbox'));
    expect(seat).toBeUndefined();
  });
});

describe('a station tapped on the map', () => {
  it('says what it is and why not yet; loosening is one step behind', async () => {
    const { torque } = torqueOf({ step: { kind: 'pull', station: 'x', pass: 0 } });
    const other = torque.plan.stations.find(({ id }) => id !== torque.station?.id) as PlanStation;
    let loosened = false;
    render(
      <StationSheet station={other} torque={torque} onLoosen={() => (loosened = true)} onClose={() => undefined} />,
    );
    expect(await screen.findByRole('dialog')).toHaveTextContent(`Station ${torque.station?.label} comes first`);
    expect(screen.getByText(other.printed)).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'Loosen it' }));
    expect(loosened).toBe(true);
  });
  it('the one in hand is said to be', () => {
    const { torque } = torqueOf({ step: { kind: 'snug', station: 'x' } });
    expect(whyNotYet(torque, station(torque))).toBe('It is the one in hand.');
  });
});

describe('a wheel', () => {
  it('asks whether the tyre touches', async () => {
    const { torque, given } = torqueOf();
    render(<TyreBar torque={torque} />);
    await userEvent.click(screen.getByRole('button', { name: 'The tyre touches' }));
    expect(given).toEqual([{ type: 'setLoadState', state: 'tyreTouches' }]);
  });
});

describe('a station to be started', () => {
  it('says so where the bead on it has set before its bolt was started', () => {
    render(<StartPanel torque={torqueOf({ stations: [], beadHasSet: false } as Partial<TorqueStep>).torque} />);
    expect(screen.queryByRole('status')).toBeNull();
    cleanup();
    render(<StartPanel torque={torqueOf({ stations: [], beadHasSet: true } as Partial<TorqueStep>).torque} />);
    expect(screen.getByRole('status')).toHaveTextContent(/begun to set.*put on a new one/);
  });
});

describe('a drill that shows the sheet alone', () => {
  afterEach(() => {
    cleanup();
    useInDrill.setState({ on: false, sheetOnly: false });
  });
  it('has the sheet’s words and printed figure, and none of the line’s', () => {
    useInDrill.setState({ on: true, sheetOnly: true });
    const { torque } = torqueOf({ step: { kind: 'pull', pass: 0 }, setting: undefined } as Partial<TorqueStep>);
    render(<StationPanel torque={torque} onWrench={() => undefined} />);
    expect(screen.getByRole('heading', { name: 'What the sheet says' })).toBeVisible();
    expect(screen.getByText(station(torque).printed)).toBeVisible();
    expect(screen.queryByLabelText(/^Target/)).toBeNull();
    expect(screen.queryByText('It clicked and nothing turned')).toBeNull();
    // The reading is typed: nothing says what it was to be.
    expect(screen.getByLabelText(/^Reading from/)).toBeVisible();
  });
  it('shows no more at a start either', () => {
    useInDrill.setState({ on: true, sheetOnly: true });
    const { torque } = torqueOf({ step: { kind: 'start', station: 's' }, stations: [] } as Partial<TorqueStep>);
    render(<StartPanel torque={torque} />);
    expect(screen.getByRole('heading', { name: 'What the sheet says' })).toBeVisible();
    expect(screen.queryByText(/Fingers only/)).toBeNull();
  });
  it('lets a learner answer for the job, and gives nobody more than that', () => {
    expect(roleInDrill('apprentice')).toBe('fitter');
    expect(roleInDrill('lead')).toBe('lead');
    expect(roleInDrill('counter')).toBe('counter');
  });
});

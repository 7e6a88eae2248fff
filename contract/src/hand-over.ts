import { describeDrive } from '#core/fastener/drive.ts';
import { comesOffAgain, type OffAgain } from '#core/hand-over/comes-off-again.ts';
import { careList } from '#core/job/care.ts';
import { debtsOf } from '#core/job/debt.ts';
import { dueFrom } from '#core/job/due.ts';
import type { JobState } from '#core/job/job-state.ts';
import { keysOf } from '#core/job/keys.ts';
import { indexOf, type Plan } from '#core/kit/plan.ts';
import { bothText } from '#core/quantity/show-both.ts';
import { recordDeviations } from '#core/record/clock-deviations.ts';
import { baselineLines, checkLines } from '#core/record/measured-lines.ts';
import { pieceLines } from '#core/record/piece-lines.ts';
import { type JointLine, recordLines } from '#core/record/record-lines.ts';
import { vehicleWith } from '#core/vehicle/vehicle-sheet.ts';
import type { JobDocument } from './job.ts';
import { ownersBagLines } from './owners-bag.ts';
import { plateNote, vehiclePlate } from './vehicle-plate.ts';
import { careText } from './wording/care-text.ts';
import { deviationText } from './wording/deviation-text.ts';
import { LIMIT_TEXT, noLimit } from './wording/en/hand-over.ts';
import { MAY_TEXT } from './wording/en/line.ts';
import { COMPOUND_TEXT, END_TEXT } from './wording/en/terms.ts';
import { pullShown } from './wording/joint-text.ts';
import { baselineText, readText, wantedOf } from './wording/measured-text.ts';
import { pieceLineText } from './wording/piece-line-text.ts';
import { alignmentText } from './wording/raised-text.ts';
import { midSentence, say } from './wording/say.ts';
import { shopDay } from './wording/shop-time.ts';

/** One joint in plain words: what was wanted, and what was done. */
export interface HandOverJoint {
  station: string;
  label: string;
  name: string;
  /** As the sheet prints it. */
  wanted: string;
  told: string;
  /** Its full torque stands: only then anything says that it is tight. */
  tight: boolean;
}

/** What the owner of a vehicle takes away, in words: the page, the PDF and the label set the same. */
export interface HandOverSheet {
  number: string;
  shop: string;
  vehicle: string;
  plate: string;
  owner: string;
  odometer?: string;
  /** Who signed it and when; undefined while the job is open. */
  signed?: string;
  /** What must be known before the vehicle moves: not finished, a clock that still runs. */
  driver: string[];
  fitted: string[];
  due: Array<{ care: string; text: string; when: string }>;
  watch: string[];
  limits: string[];
  /** Heights, angles and lengths before and after. */
  measured: string[];
  /** What it weighs with its kits, and may carry and tow. */
  carries: string[];
  groups: Array<{ id: string; title: string; joints: HandOverJoint[] }>;
  byFeel: string[];
  deviations: string[];
  parts: string[];
  keys: string[];
  offAgain: string[];
  cautions: string[];
}

type HandedOver = Pick<JobDocument, 'number' | 'vehicle' | 'odometerKm' | 'shop' | 'events'>;

/** Puts the hand-over of a job into words; units as the sheet prints them first. */
export function handOverSheet(job: HandedOver, plan: Plan, state: JobState): HandOverSheet {
  const { vehicle } = job;
  const day = (atMs: number) => shopDay(atMs, plan.rules);
  const odometerKm = job.odometerKm ?? vehicle.odometerKm;
  const { closed } = state;
  const groups = recordLines(plan, state).map(({ group, joints }) => ({
    id: group.id as string,
    title: group.title,
    joints: joints
      .map((joint) => toldOf(joint, day))
      .sort((a, b) => a.label.localeCompare(b.label, 'en', { numeric: true })),
  }));
  const lines = recordLines(plan, state).flatMap(({ joints }) => joints);
  const alignment = alignmentText(plan);
  const care = careList(plan, state).filter(({ waived }) => !waived);
  return {
    number: job.number,
    shop: job.shop.name,
    vehicle: [`${vehicle.make} ${vehicle.model}`, vehicle.modelYear].filter(Boolean).join(', '),
    plate: vehicle.plate,
    owner: vehicle.owner,
    ...(odometerKm === undefined ? {} : { odometer: bothText(odometerKm, 'distance', 'metric') }),
    ...(closed ? { signed: `${closed.signature}, ${day(closed.atMs)}` } : {}),
    driver: [
      ...(closed ? [] : [say('The work is not signed: this is how it stands now.')]),
      ...(closed?.unfinished
        ? [
            say('NOT FINISHED: {reason} The vehicle may {mayText}.', {
              reason: closed.unfinished.reason,
              mayText: MAY_TEXT[closed.unfinished.may],
            }),
          ]
        : []),
      ...(closed?.releases ?? []).map(({ condition }) => condition),
      ...(alignment ? [alignment] : []),
    ],
    fitted: [
      ...plan.kits.map(({ title, maker, revision }) =>
        say('{title}, {maker}, sheet revision {revision}', { title, maker, revision }),
      ),
      ...pieceLines(plan, state)
        .filter(({ kind }) => kind === 'serial')
        .map(pieceLineText),
    ],
    due: care.map((entry) => ({
      care: entry.key,
      text: careText(entry),
      when: whenText(dueFrom(entry, { closedAtMs: closed?.atMs ?? 0, odometerKm }), closed !== undefined, day),
    })),
    watch: watchOf(plan, lines),
    limits: limitsOf(plan),
    measured: measuredOf(plan, state),
    carries: carriesOf(plan, vehicle),
    groups,
    byFeel: lines.flatMap(({ station, stop }) =>
      stop ? [`${station.label} ${station.name}: ${stop.by.name}${stop.reason ? `, ${stop.reason}` : ''}`] : [],
    ),
    deviations: recordDeviations(
      plan,
      state,
      job.events.map(({ event }) => event),
    ).map((deviation) => `${deviationText(deviation, plan, plan)} (${deviation.by.name}, ${day(deviation.atMs)})`),
    parts: partsOf(plan, state),
    keys: keysOf(plan, state).map(({ name, hands }) => `${name}: ${holderText(hands.at(-1))}`),
    offAgain: comesOffAgain(plan).map((entry) => offAgainText(plan, entry)),
    cautions: plan.cautions.filter(({ limits }) => limits === undefined).map(({ text }) => text),
  };
}

const holderText = (hand: { who: 'person' | 'owner' | 'vehicle'; name: string } | undefined): string => {
  if (!hand) return say('nobody has it');
  if (hand.who === 'owner') return say('with you');
  return hand.who === 'vehicle'
    ? say('in the vehicle, {name}', { name: hand.name })
    : say('still with {name}', { name: hand.name });
};

function toldOf({ station, mark, stop, pulls }: JointLine, day: (atMs: number) => string): HandOverJoint {
  const tight = mark === 'atTorque' || mark === 'verified';
  const last = pulls.filter(({ stands, pull }) => stands === 'stands' && pull.verdict === 'accepted').at(-1);
  const { id, label, name, printed } = station;
  const told = (): string => {
    if (last && tight) {
      const { pulled, inOther } = pullShown(station, last);
      const again = mark === 'verified' ? say(', looked at again') : '';
      return `${pulled} (${inOther}), ${last.pull.by.name}, ${day(last.pull.atMs)}${again}`;
    }
    if (stop && tight)
      return say('by hand, without a figure, {name}, {day}', { name: stop.by.name, day: day(stop.atMs) });
    return mark === 'empty' ? 'NOT TIGHTENED' : 'NOT AT ITS TORQUE';
  };
  return { station: id, label, name, wanted: printed, told: told(), tight };
}

/** `at odometer 58400 km (36288 mi) or on 2027-01-12`. */
function whenText(
  { atKm, atMs }: { atKm?: number; atMs?: number },
  isSigned: boolean,
  day: (atMs: number) => string,
): string {
  const said = [
    atKm === undefined ? '' : say('at odometer {bothText}', { bothText: bothText(atKm, 'distance', 'metric') }),
    atMs === undefined || !isSigned ? '' : say('on {day}', { day: day(atMs) }),
  ].filter(Boolean);
  return said.join(' or ');
}

/** What an owner can see of the joints: stripes that turn, and what settles. */
function watchOf(plan: Plan, lines: readonly JointLine[]): string[] {
  const striped = lines.filter(({ mark }) => mark === 'atTorque' || mark === 'verified').length;
  const locked = lines.some(({ treated }) => treated !== undefined);
  return [
    ...(striped > 0
      ? [
          say(
            'Each tightened joint has a stripe of paint over head and seat. A stripe that is broken: the joint has moved; come back before you drive on.',
          ),
        ]
      : []),
    ...(locked
      ? [say('Joints with a locking compound are not to be retightened by hand: moving them breaks the bond.')]
      : []),
    ...(plan.checks.filter(({ unit }) => unit !== undefined).length > 0
      ? [say('A new noise, a new smell, a pull to one side, or something that touches: stop and look.')]
      : [say('A new noise or something that touches: stop and look.')]),
  ];
}

function measuredOf(plan: Plan, state: JobState): string[] {
  return [
    ...baselineLines(plan, state).map((line) => {
      const { before, after, change } = baselineText(line);
      return say('{name}, {place}: {before} before, {after} after{which}', {
        name: line.baseline.name,
        place: line.place,
        before,
        after,
        which: change ? `; ${change}` : '',
      });
    }),
    ...checkLines(plan, state).map((line) => {
      const wanted = wantedOf(line);
      return `${line.text}: ${readText(line)}${wanted ? say('; wanted {wanted}', { wanted }) : ''}`;
    }),
  ];
}

/** Told only where a kit changes it: a guard says nothing of trailers. */
function carriesOf(plan: Plan, vehicle: HandedOver['vehicle']): string[] {
  if (!plan.kits.some(({ loads }) => loads)) return [];
  const { weighs, may, lacks } = vehiclePlate(vehicleWith(vehicle, plan.kits));
  return [...[...weighs, ...may].map(([name, text]) => `${name}: ${text}`), ...(lacks ? [lacks] : []), plateNote()];
}

function limitsOf(plan: Plan): string[] {
  const said = plan.cautions.flatMap(({ limits, text }) => (limits ? [`${LIMIT_TEXT[limits]}: ${text}`] : []));
  return said.length > 0 ? said : [noLimit()];
}

function partsOf(plan: Plan, state: JobState): string[] {
  const debts = debtsOf(plan, state).filter(
    ({ opened, kind, end }) => opened !== undefined && (kind === 'removed' || kind === 'other') && end !== 'cleared',
  );
  const gone = debts.flatMap(({ name, ends }) =>
    ends
      .filter(({ end }) => end === 'keep' || end === 'scrap')
      .map(({ end, count }) => `${count > 1 ? `${count} × ` : ''}${name}: ${END_TEXT[end]}`),
  );
  return [...gone, ...ownersBagLines(plan, state).map((line) => say('In the bag: {line}', { line }))];
}

function offAgainText(plan: Plan, entry: OffAgain): string {
  switch (entry.what) {
    case 'takeOff':
      return say('Take off: {name}', {
        name: plan.removed.find(({ id }) => id === entry.removed)?.name ?? entry.removed,
      });
    case 'disconnect':
      return say('Disconnect: {name}', {
        name: plan.disconnects.find(({ id }) => id === entry.disconnect)?.name ?? entry.disconnect,
      });
    case 'undo': {
      const group = indexOf(plan).groups.get(entry.group as never);
      const held = entry.compounds.map((kind) => midSentence(COMPOUND_TEXT[kind]));
      return [
        say('Undo: {title}, {stations} of them, {drives}', {
          title: group?.title ?? entry.group,
          stations: entry.stations,
          drives: entry.drives.map(describeDrive).join(' and '),
        }),
        ...(held.length > 0
          ? [
              say('held by {held}{which}', {
                held: held.join(' and '),
                which: entry.compounds.includes('threadlockerHigh') ? say(': comes loose with heat only') : '',
              }),
            ]
          : []),
        ...(entry.usedOnce.length > 0
          ? [say('goes back with new pieces: {usedOnce}', { usedOnce: entry.usedOnce.join(', ') })]
          : []),
      ].join('; ');
    }
  }
}

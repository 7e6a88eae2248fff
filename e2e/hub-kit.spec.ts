import type { Page } from '@playwright/test';
import { blankKit } from '#core/kit/blank-kit.ts';
import type { Item, KitDocument, StackPiece, Station } from '#core/kit/kit-document.ts';
import type { PrintedSpec } from '#core/kit/printed-spec.ts';
import { type App, expect, openJob, provePin, setWrench, signIn, swiftHand, test } from './support/app.ts';
import { countAll, countTray, workLine } from './support/line.ts';

/** A joint of its own sort each: what a hub and an arm ask that a plate with six bolts does not. */
const JOINTS: ReadonlyArray<{ name: string; spec: PrintedSpec; compound?: string; tapped?: true; castle?: true }> = [
  {
    name: 'Ball joint stud',
    castle: true,
    spec: {
      spec: { kind: 'slot', startNm: 47, ceilingNm: 75, slots: 6 },
      printed: '35 lbf·ft, on to the next slot, never over 55',
    },
  },
  {
    name: 'Knuckle bolt',
    spec: {
      spec: { kind: 'torqueAngle', thresholdNm: 50.1654, angleDeg: 90, angleToleranceDeg: 5 },
      printed: '37 lbf·ft plus 90°',
    },
  },
  {
    name: 'Hub nut',
    spec: {
      spec: {
        kind: 'procedure',
        stages: [
          { do: 'tighten', torqueNm: 68 },
          { do: 'turn', deg: 1800 },
          { do: 'backOff', deg: 60 },
          { do: 'tighten', torqueNm: 50 },
        ],
      },
      printed: '68 N·m; turn 5 turns; back off 1 flat; 50 N·m',
    },
  },
  {
    name: 'Shield bolt',
    compound: 'paste',
    spec: { spec: { kind: 'torque', targetNm: 80 }, printed: '80 N·m', basis: 'dry' },
  },
  {
    name: 'Caliper bracket',
    compound: 'locker',
    tapped: true,
    spec: { spec: { kind: 'torque', targetNm: 75 }, printed: '75 N·m' },
  },
];

function hubKit(): KitDocument {
  const items: Item[] = JOINTS.flatMap(({ castle, tapped }, at): Item[] => {
    const common = { bag: 'B', quantity: 1, source: 'kit' as const, thread: 'M12 x 1.75' };
    return [
      {
        ...common,
        id: `bolt${at}`,
        line: `${at + 1}a`,
        kind: 'bolt',
        name: `Bolt M12 no. ${at + 1}`,
        lengthMm: 60,
        // An 8.8 turned by its angle ends where the click wrench still shows it.
        propertyClass: at === 1 ? '8.8' : '10.9',
        head: 'hexFlange',
      },
      ...(tapped
        ? []
        : [
            {
              ...common,
              id: `nut${at}`,
              line: `${at + 1}b`,
              kind: 'nut' as const,
              name: `Nut M12 no. ${at + 1}`,
              propertyClass: '10',
              head: castle ? ('castle' as const) : ('hexFlange' as const),
            },
          ]),
    ];
  });
  const stations: Station[] = JOINTS.map(({ name, spec, compound, tapped }, at) => {
    const arm: StackPiece = { kind: 'clamped', name: 'Arm', thicknessMm: 30, material: 'steel' };
    const end: StackPiece = tapped
      ? { kind: 'clamped', name: 'Knuckle', thicknessMm: 40, material: 'castIron', tapped: { depthMm: 28 } }
      : { kind: 'hardware', item: `nut${at}` };
    return {
      id: `h${at}`,
      label: String(at + 1),
      name,
      xMm: 40 + at * 60,
      yMm: 50,
      stack: [{ kind: 'hardware', item: `bolt${at}` }, arm, end],
      ...(compound ? { compound } : {}),
      specs: [spec],
      drive: { kind: 'hex', acrossFlatsMm: 18 },
    };
  });
  return {
    ...blankKit('hub-and-arm', 'Hub and arm', 'Carder Foundry'),
    items,
    compounds: [
      { id: 'paste', name: 'Anti-seize', kind: 'antiSeize' },
      { id: 'locker', name: 'Threadlocker', kind: 'threadlockerMedium', gradeUnknown: true },
    ],
    stations,
    groups: [
      {
        id: 'hub',
        title: 'Hub and arm',
        map: { title: 'Hub', note: 'from outside', widthMm: 320, heightMm: 100, shapes: [] },
        stations: stations.map(({ id }) => id),
        torqueOrder: { list: stations.map(({ id }) => id) },
        stages: [1],
        verify: false,
      },
    ],
    steps: [
      {
        id: 's1',
        number: '1',
        text: 'All in by hand.',
        phase: 'loose',
        actions: [{ type: 'start', group: 'hub' }],
      },
      {
        id: 's2',
        number: '2',
        text: 'Snug, then to torque.',
        phase: 'torque',
        actions: [
          { type: 'snug', group: 'hub' },
          { type: 'torque', group: 'hub' },
        ],
      },
    ],
  };
}

const bar = (page: Page) => page.locator('.thumb-bar').first();
/** Takes another wrench for the pull in hand. */
async function takeWrench(page: Page, label: string): Promise<void> {
  await page.keyboard.press('w');
  await page
    .getByRole('dialog')
    .getByRole('button', { name: new RegExp(`^${label} `) })
    .click();
}
async function type(page: Page, reading: string, angle?: string): Promise<void> {
  await page.getByLabel(/^Reading from/).fill(reading);
  if (angle) await page.getByLabel('Turned, °').fill(angle);
  await page.getByRole('button', { name: /^(Record|Pin fits)/ }).click();
}

async function hubJob(page: Page, app: App): Promise<string> {
  await swiftHand(page);
  await signIn(page, app, 'Rafe Orrin', '1357');
  const released = await page.request.post(`${app.url}/api/kits?waive=${encodeURIComponent('As the sheet has it')}`, {
    data: hubKit(),
    headers: { Origin: app.url },
  });
  expect(released.status(), await released.text()).toBeLessThan(300);
  const job = await openJob(page, 'v-carrick', 'hub-and-arm');
  await countAll(page, job);
  await page.goto(`${app.url}/jobs/${job}/line`);
  return job;
}

test('a castle nut, an angle in strokes, a hub in stages, paste on a dry figure, a locker of no strength', async ({
  page,
  app,
}) => {
  const job = await hubJob(page, app);
  for (let at = 0; at < 5; at++) {
    await expect(bar(page)).toHaveText(/Started, next/);
    await page.keyboard.press('Space');
    if (at < 4) await expect(page.getByText(`${at + 1} of 5 started`)).toBeVisible();
  }

  // Paste: from which bottle. What has gelled or is another kind is not taken.
  await expect(page.getByRole('heading', { name: 'Station 4' })).toBeVisible();
  await expect(bar(page)).toHaveText(/Pick the bottle/);
  await page.getByLabel('or scan or type its lot').fill('M-2406');
  await page.getByRole('button', { name: 'This one' }).click();
  await expect(page.getByText(/is medium locker: put it back/)).toBeVisible();
  await page
    .getByRole('button', { name: /^Take it/ })
    .first()
    .click();
  await expect(page.getByText('Another bottle')).toBeVisible();
  await page.keyboard.press('Space');

  // The locker's strength is the lead's to say; the hole is to be clean too.
  await expect(page.getByRole('heading', { name: 'Station 5' })).toBeVisible();
  await expect(bar(page)).toHaveText(/Which strength/);
  await page.getByRole('button', { name: /^Medium/ }).click();
  await page.getByLabel('Product, as it stands on the bottle').fill('Medium threadlocker');
  await page.getByRole('button', { name: 'This product' }).click();
  await page
    .getByRole('button', { name: /^Take it/ })
    .first()
    .click();
  await expect(bar(page)).toHaveText(/Bolt and hole clean, bead on/);
  await page.keyboard.press('Space');

  // The first runs down too hard, and is looked at; then it does not.
  await expect(bar(page)).toHaveText(/Snug, next/);
  await page.getByRole('button', { name: 'It took torque to run down' }).click();
  await page.getByLabel(/^Torque while it ran down/).fill('40');
  await page.getByRole('button', { name: 'Snug, with that' }).click();
  await expect(page.getByRole('alert')).toContainText('It runs down too hard');
  await page.getByRole('button', { name: 'Seen' }).click();
  await page.getByLabel(/^Torque while it ran down/).fill('4');
  await page.getByRole('button', { name: 'Snug, with that' }).click();
  for (const label of ['2', '3', '4', '5']) {
    await expect(page.getByRole('heading', { name: `Station ${label}` })).toBeVisible();
    await page.keyboard.press('Space');
  }

  // Castle nut with a wrench that clicks: set once, clicked, then the pin.
  await expect(page.getByRole('heading', { name: 'Station 1' })).toBeVisible();
  await takeWrench(page, 'W-4');
  await expect(page.getByText('Set W-4 to')).toBeVisible();
  await setWrench(page);
  await expect(bar(page)).toHaveText(/^Clicked at 35/);
  await page.keyboard.press('Space');
  await expect(page.getByText(/Does the pin go through/)).toBeVisible();
  await expect(page.getByText(/before its ceiling/)).toBeVisible();
  await page.keyboard.press('Space');
  await page.getByRole('button', { name: 'Legs round the nut' }).click();

  // 55° and 35° are 90°.
  await expect(page.getByRole('heading', { name: 'Station 2' })).toBeVisible();
  await takeWrench(page, 'W-4');
  await setWrench(page);
  await type(page, '37', '55');
  await expect(page.getByRole('alert')).toContainText('Short of its angle');
  await page.getByRole('button', { name: 'Keep this stroke, turn on' }).click();
  await expect(page.getByText('55° of 90° done')).toBeVisible();
  await type(page, '60', '35');

  // The hub in its four stages.
  await expect(page.getByRole('heading', { name: 'Station 3' })).toBeVisible();
  await expect(page.getByText('Stage 1 of 4')).toBeVisible();
  await type(page, '68');
  await expect(page.getByRole('alert')).toContainText('Did you mean N·m?');
  await page.getByRole('button', { name: 'Seen' }).click();
  await page.getByLabel('Unit').selectOption('N·m');
  await type(page, '68');
  await expect(bar(page)).toHaveText(/Turned 5 turns, next/);
  await page.keyboard.press('Space');
  await expect(bar(page)).toHaveText(/Backed off 1 flat \(60°\), next/);
  await page.keyboard.press('Space');
  await expect(page.getByLabel(/^Target 50/)).toBeVisible();
  await takeWrench(page, 'W-4');
  await setWrench(page);
  await page.keyboard.press('Space');

  // Paste on a figure for dry threads: both torques, one signed.
  await expect(page.getByRole('heading', { name: 'Station 4' })).toBeVisible();
  await expect(page.getByText('Which torque holds?').first()).toBeVisible();
  await page.getByRole('button', { name: /For the same load/ }).click();
  await page.getByLabel(/^Why, kept on the record/).fill('Salt on this road');
  await page.getByRole('button', { name: 'Sign this figure' }).click();
  await provePin(page, '1357');
  await expect(page.getByText(/% of the printed 80 N·m/)).toBeVisible();
  await takeWrench(page, 'W-4');
  await setWrench(page);
  await page.keyboard.press('Space');

  // A wrench left where it was clicks for another joint: the screen says whose figure that is.
  await expect(page.getByRole('heading', { name: 'Station 5' })).toBeVisible();
  await takeWrench(page, 'W-4');
  await setWrench(page);
  await type(page, '37');
  await expect(page.getByRole('alert')).toContainText('Under the band');
  await page.getByRole('button', { name: 'Seen' }).click();
  await page.keyboard.press('Space');

  // A hub and an arm are driven before they go back.
  await expect(page.getByRole('heading', { name: /Road test: no noise/ })).toBeVisible();
  await workLine(page, job, () => true);
  await page.getByRole('link', { name: 'To Close out' }).click();
  await countTray(page);
  await page.getByRole('button', { name: 'Sign and close' }).click();
  await provePin(page, '1357');
  await expect(page.getByText('the chain is whole')).toBeVisible();
  await expect(page.getByText(/^Medium threadlocker, .*lot/)).toBeVisible();
  await expect(page.getByText(/stage 2: Turned 5 turns/)).toBeVisible();
  await expect(page.getByText('90° in all')).toBeVisible();
  await expect(page.getByText('a stroke of the turn')).toHaveCount(1);
  await expect(page.getByText(/under the band/)).toHaveCount(0);
  await expect(page.getByText(/the figure counts on another thread. Printed 80\.0/)).toBeVisible();

  // Found later: added behind the record.
  await page.getByRole('button', { name: 'Add what was found later' }).click();
  await page.getByLabel('What was found', { exact: true }).fill('Hub nut loose by a flat');
  await page.getByLabel('Who found it').fill('the owner');
  await page.getByLabel('What was redone, if anything').fill('Procedure done again');
  await page.getByRole('button', { name: 'Sign it' }).click();
  await provePin(page, '1357');
  await expect(page.getByText(/Hub nut loose by a flat Found by the owner/).first()).toBeVisible();
  await expect
    .poll(async () => (await page.request.get(`${app.url}/api/jobs/${job}/record.csv`)).text())
    .toContain('addendum');
  const json = (await (await page.request.get(`${app.url}/api/jobs/${job}/record.json`)).json()) as {
    lines: Array<{ kind: string }>;
  };
  expect(json.lines.map(({ kind }) => kind)).toEqual(
    expect.arrayContaining(['pull', 'joint', 'addendum', 'deviation']),
  );
});

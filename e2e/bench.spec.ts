import { expect, give, openJob, signIn, test } from './support/app.ts';

test('a tool is found by typing, its link shows it again, and both systems stand side by side', async ({
  page,
  app,
}) => {
  await signIn(page, app);
  await page.getByRole('link', { name: 'Bench' }).click();
  const line = page.getByRole('combobox', { name: 'Find a tool by typing' });
  await expect(line).toBeFocused();
  await line.fill('m10 8.8');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Torque and preload' })).toBeVisible();
  const figure = page.getByRole('status', { name: 'Torque the bolt takes' });
  await expect(figure).toContainText('48.5 N·m');
  await expect(figure).toContainText('35.7 lbf·ft');

  await page.getByLabel('Class or grade').selectOption('10.9');
  await expect(figure).not.toContainText('48.5');
  const shown = await figure.textContent();
  await page.goto(page.url());
  await expect(page.getByRole('status', { name: 'Torque the bolt takes' })).toHaveText(shown ?? '');

  await line.fill('90 ft-lb in nm');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status', { name: 'In N·m' })).toContainText('122');
  await line.fill('crowfoot 50');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Square drive to fastener, E')).toHaveValue('50');
  await line.fill('spacer 25');
  await page.keyboard.press('Enter');
  await expect(page.getByText('A spacer of x needs a stud at least x longer', { exact: false })).toBeVisible();
  await line.fill('service load m10 6 kN');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Joint at work' })).toBeVisible();
  await expect(page.getByText('Holds at work')).toBeVisible();
  await page.getByLabel('Pulls across, at most').fill('5000');
  await expect(page.getByText('The parts slip', { exact: false })).toBeVisible();
  await line.fill('measured 9.7 0.907');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status', { name: 'A pipe thread, no bolt' })).toContainText('G 1/8');
  await line.fill('-20 °C in °F');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status', { name: 'In °F' })).toContainText('-4');
  await line.fill('which drill 3/8-16');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status', { name: 'Drill' })).toContainText('5/16 in');
});

test('a wrong value is said at its field, and nothing typed is lost', async ({ page, app }) => {
  await signIn(page, app);
  await page.goto(`${app.url}/bench/torque`);
  await page.getByLabel('Thread', { exact: true }).fill('16 mm');
  await expect(page.getByText('is the size of a socket, not a thread', { exact: false }).first()).toBeVisible();
  await expect(page.getByLabel('Thread', { exact: true })).toHaveValue('16 mm');
  await page.getByLabel('Thread', { exact: true }).fill('3/8-16');
  await expect(page.getByRole('status', { name: 'Torque the bolt takes' })).toContainText('N·m');
  await page.getByLabel('Torque', { exact: true }).fill('lots');
  await expect(page.getByRole('alert')).toContainText('no number');
  await page.goto(`${app.url}/bench/nothing`);
  await expect(page.getByRole('alert')).toContainText('No tool “nothing” hangs here');
});

test('a group plays pull by pull', async ({ page, app }) => {
  await signIn(page, app);
  await page.goto(`${app.url}/bench/interaction?bolts=4&rounds=1&stages=1`);
  await expect(page.getByText('pull 4/4')).toBeVisible();
  await page.getByRole('button', { name: 'Play' }).click();
  await expect(page.getByText('pull 1/4')).toBeVisible();
  await expect(page.getByText('pull 4/4')).toBeVisible();
  await page.getByLabel('Rounds at full torque').fill('2');
  await expect(page.getByText('/8')).toBeVisible();
});

test('from a joint to the bench and back onto the job’s record, by a lead', async ({ page, app }) => {
  await signIn(page, app);
  const job = await openJob(page, 'v-carrick', 'transfer-case-guard');
  await give(
    page,
    job,
    ...['m1', 'm2', 'm3', 'm4'].map((item, index) => ({
      type: 'countLine',
      item,
      found: [6, 8, 6, 1][index],
      damaged: 0,
    })),
    ...['g1', 'g2', 'g3', 'g4', 'g5', 'g6'].map((station) => ({ type: 'startByHand', station })),
  );
  await page.goto(`${app.url}/jobs/${job}/line`);
  await page.getByRole('link', { name: 'Work it out on the bench' }).click();
  await expect(page.getByRole('heading', { name: 'What a change on the thread does' })).toBeVisible();
  await expect(page.getByLabel('Thread', { exact: true })).toHaveValue(/M8/);
  await page.getByRole('button', { name: 'Use in a job' }).click();
  await expect(page.getByText('A lead signs this')).toBeVisible();
  const address = page.url();

  await page.context().clearCookies();
  await signIn(page, app, 'Rafe Orrin', '1357');
  await page.goto(address);
  await page.getByRole('button', { name: 'Use in a job' }).click();
  await page.getByLabel('Why').fill('Owner wants it removable.');
  await page.getByRole('button', { name: 'Record it' }).click();
  await page.getByRole('link', { name: 'To the job’s record' }).click();
  await expect(page.getByText('worked out at the bench, not from the sheet', { exact: false })).toBeVisible();
  await expect(page.getByText('Owner wants it removable.', { exact: false })).toBeVisible();
});

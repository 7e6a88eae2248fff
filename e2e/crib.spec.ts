import { expect, openJob, provePin, signIn, test } from './support/app.ts';

test('a daily check-pull finds a wrench out, locks it, and lists what it pulled; a calibration brings it back', async ({
  page,
  app,
}) => {
  await signIn(page, app);
  await page.getByRole('link', { name: 'Crib' }).click();
  await page.getByRole('button', { name: /^W-1/ }).click();
  await page.getByRole('button', { name: 'Check-pull' }).click();
  const sheet = page.getByRole('dialog', { name: 'Check-pull of W-1' });
  await expect(sheet).toBeVisible();
  for (let pull = 1; pull <= 3; pull++) {
    await expect(sheet.getByRole('button', { name: `Pull ${pull} of 3` })).toBeEnabled();
    await page.keyboard.press('Space');
  }
  await expect(sheet.getByText('Out of limits', { exact: false })).toBeVisible();
  await page.keyboard.press('Space');
  await expect(
    page.getByText('No pull is taken from it until a complete calibration is good', { exact: false }),
  ).toBeVisible();
  await expect(page.getByRole('button', { name: 'Lend' })).toBeDisabled();

  // The demo's closed job was pulled with it.
  const list = page.getByRole('region', { name: 'To be pulled again' });
  await expect(list.getByText('handed over: call it back', { exact: false }).first()).toBeVisible();
  const before = await list.getByRole('button', { name: 'Settled' }).count();
  await list.getByRole('button', { name: 'Settled' }).first().click();
  await page.getByRole('button', { name: 'Pulled again, did not move' }).click();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await provePin(page);
  await expect(list.getByRole('button', { name: 'Settled' })).toHaveCount(before - 1);

  await page.getByRole('link', { name: 'Bays' }).click();
  await expect(page.getByText('Wrench W-1 is out of limits')).toBeVisible();

  await page.context().clearCookies();
  await signIn(page, app, 'Rafe Orrin', '1357');
  await page.goto(`${app.url}/crib?wrench=w-1`);
  await page.getByRole('button', { name: 'Calibrate' }).click();
  const calibrate = page.getByRole('dialog', { name: 'Calibrate W-1' });
  for (const [share, reading] of [
    ['20', '44.3'],
    ['60', '132.8'],
    ['100', '221.3'],
  ]) {
    for (let pull = 1; pull <= 5; pull++)
      await calibrate.getByLabel(`${share} percent, pull ${pull}`).fill(reading as string);
  }
  await calibrate.getByLabel('Certificate number').fill('C-2611');
  await expect(calibrate.getByText('Within limits at all three points.')).toBeVisible();
  await calibrate.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('C-2611')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Lend' })).toBeEnabled();
});

test('a tool lent for a job keeps it open until it is back', async ({ page, app }) => {
  await signIn(page, app);
  const job = await openJob(page, 'v-carrick', 'transfer-case-guard');
  await page.goto(`${app.url}/crib/tools`);
  await page.getByLabel('Find a tool').fill('spring');
  await page.getByRole('button', { name: /^Spring compressor/ }).click();
  const lend = page.getByRole('dialog', { name: 'Lend Spring compressor' });
  const number = (await (await page.request.get(`${app.url}/api/jobs/${job}`)).json()).number as string;
  await expect(lend.getByRole('option', { name: new RegExp(number) })).toHaveCount(1);
  await lend.getByLabel('For').selectOption(job);
  await lend.getByRole('button', { name: 'Lend it' }).click();
  await expect(page.getByRole('button', { name: /Spring compressor.*Mira Vane/ })).toBeVisible();
  await page.goto(`${app.url}/jobs/${job}/close-out`);
  await expect(page.getByText('Lent for this job and not back', { exact: false })).toBeVisible();
  await page.getByRole('link', { name: 'To the crib' }).click();
  await page.getByRole('button', { name: /Spring compressor.*Mira Vane/ }).click();
  await page.getByRole('button', { name: 'It is back' }).click();
  await page.goto(`${app.url}/jobs/${job}/close-out`);
  await expect(page.getByText('Still in the way').first()).toBeVisible();
  await expect(page.getByText('Lent for this job and not back', { exact: false })).toHaveCount(0);
});

test('a click wrench goes back with its spring let down', async ({ page, app }) => {
  await signIn(page, app);
  await page.goto(`${app.url}/crib?wrench=w-4`);
  await page.getByRole('button', { name: 'Lend' }).click();
  await page.getByRole('button', { name: 'Lend it' }).click();
  await page.getByRole('button', { name: 'Take back' }).click();
  await expect(page.getByRole('button', { name: 'It is back' })).toBeDisabled();
  await page.getByLabel('Set back to its lowest mark', { exact: false }).check();
  await page.getByRole('button', { name: 'It is back' }).click();
  await expect(page.getByRole('button', { name: 'Lend' })).toBeVisible();
});

test('a lead hangs a wrench on the wall; a wrong entry is named at its field', async ({ page, app }) => {
  await signIn(page, app, 'Rafe Orrin', '1357');
  await page.goto(`${app.url}/crib`);
  await page.getByRole('button', { name: 'Add a wrench' }).click();
  const form = page.getByRole('dialog', { name: 'Add a wrench' });
  await form.getByLabel('Painted on the handle').fill('W-12');
  await form.getByLabel('Scale in').selectOption('lbf·ft');
  await form.getByLabel('Top of the scale, lbf·ft').fill('a lot');
  await form.getByRole('button', { name: 'Keep it' }).click();
  await expect(form.getByRole('alert')).toContainText('must be a number above 0');
  await form.getByLabel('Top of the scale, lbf·ft').fill('150');
  await form.getByRole('button', { name: 'Keep it' }).click();
  await expect(form).toBeHidden();
  await page.getByRole('button', { name: /^W-12/ }).click();
  await expect(page.getByText('30–150 lbf·ft').first()).toBeVisible();
  await page.getByRole('button', { name: 'Add a wrench' }).click();
  await form.getByLabel('Painted on the handle').fill('W-12');
  await form.getByLabel('Top of the scale, N·m').fill('80');
  await form.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('Another wrench has this label', { exact: false })).toBeVisible();
});

test('bottles: opened, corrected, put on the order list', async ({ page, app }) => {
  await signIn(page, app);
  await page.goto(`${app.url}/crib/compounds`);
  await page.getByRole('button', { name: 'Put one on the shelf' }).click();
  const form = page.getByRole('dialog', { name: 'Put one on the shelf' });
  await form.getByRole('button', { name: 'Put it there' }).click();
  await expect(form.getByText('a name is needed')).toBeVisible();
  await form.getByLabel('Called').fill('Flange sealant');
  await form.getByLabel('Kind').selectOption('sealant');
  await form.getByLabel('Lot').fill('F-9');
  await form.getByLabel('Use by').fill('2029-01-31');
  await form.getByRole('button', { name: 'Put it there' }).click();
  await page.getByRole('button', { name: /Flange sealant.*lot F-9/ }).click();
  await page.getByLabel('Left in it, mL, as seen or weighed').fill('3');
  await page.getByLabel('Why the count was off').fill('Used on a gearbox cover.');
  await page.getByRole('button', { name: 'Correct the count' }).click();
  await expect(page.getByRole('button', { name: /Flange sealant.*lot F-9.*3\.00 mL/ })).toBeVisible();
  await page.getByRole('link', { name: 'Reorder' }).click();
  await expect(page.getByRole('row', { name: /Flange sealant 3.0 mL left/ })).toBeVisible();
});

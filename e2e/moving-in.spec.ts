import { readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect, signIn, test } from './support/app.ts';

/** A shop that moves in with its books, and works with other programs. */

const LIST = [
  'Registration;Make;Model;Customer Name;Mileage;Colour',
  'MV 1;Tolvan;Carrick 3.0;Ines Harrow;82.400;green',
  '',
  'MV 2;Aldren;Tussock 2.8;;41 000 mi;red',
  'MV 3;Sarn;Merle 1.6T;Ada Quarrie;twelve;blue',
  'MV 4;Sarn;Merle 1.6T;Ada Quarrie;12000;grey',
].join('\r\n');

test('a list is looked over line by line, its faulty lines mended, and all of it taken out again', async ({
  page,
  app,
}) => {
  await signIn(page, app, 'Rafe Orrin', '1357');
  await page.goto(`${app.url}/shop/moving-in`);
  await page.getByRole('button', { name: /^Vehicles and owners/ }).click();
  await page.getByLabel('Table of vehicles and owners').setInputFiles({
    name: 'customers.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('Vehicle,Note\nx,y\n'),
  });
  await expect(page.getByRole('alert')).toContainText('Say which column holds: Make, Model, Owner.');
  await page.getByRole('button', { name: 'Another file' }).click();
  await page.getByLabel('Table of vehicles and owners').setInputFiles({
    name: 'customers.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(LIST),
  });
  const becomes = page.getByRole('list', { name: 'What becomes of them' });
  await expect(becomes).toContainText('2 new');
  await expect(becomes).toContainText('2 with a fault');
  const faulty = page.getByRole('region', { name: 'With a fault' });
  await expect(faulty.getByText('Customer Name must not be empty')).toBeVisible();
  await expect(faulty.getByText('Mileage must be kilometres or miles, was “twelve”')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Bring in 2' })).toBeDisabled();
  // What the mileage was is left out: that line is whole then.
  await page.getByLabel('Mileage').selectOption('left out');
  await expect(becomes).toContainText('3 new');
  await page.getByLabel('Mileage').selectOption('Odometer');
  // The faulty lines go home to be mended, with what is wrong beside them.
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the faulty lines' }).click();
  const text = readFileSync(await (await saved).path(), 'utf8');
  expect(text).toContain('MV 3,Sarn,Merle 1.6T,Ada Quarrie,twelve,blue,"Mileage must be kilometres or miles');
  await page.getByLabel('Leave them out').check();
  await page.getByRole('button', { name: 'Bring in 2' }).click();
  await expect(page.getByRole('status')).toContainText('2 brought in');
  // The mended file: what is here already is left as it is.
  await page.getByRole('button', { name: /^Vehicles and owners/ }).click();
  await page.getByLabel('Pasted lines').fill(LIST.replace('twelve', '12').replace('2.8;;', '2.8;Ines Harrow;'));
  await page.getByRole('button', { name: 'Read what was pasted' }).click();
  await expect(becomes).toContainText('2 here already');
  await page.getByRole('button', { name: 'Bring in 2' }).click();
  await expect(page.getByRole('status')).toContainText('2 brought in, 2 were here already');

  // The last import goes out, then the one before it.
  const before = page.getByRole('region', { name: 'Brought before' });
  for (const file of ['pasted lines', 'customers.csv']) {
    await before.getByRole('button', { name: 'Take it out again' }).click();
    await before.getByRole('button', { name: 'Take out 2' }).click();
    await expect(before.getByRole('listitem').filter({ hasText: file })).toContainText('taken out by Rafe Orrin');
  }
  await page.goto(`${app.url}/vehicles`);
  await expect(page.getByRole('heading', { name: 'Vehicles' })).toBeVisible();
  await expect(page.getByText('MV 1')).toHaveCount(0);
});

test('a till opens a visit with a key, a program is told of it, and both are taken back', async ({ page, app }) => {
  const told: string[] = [];
  const listener = createServer((request, response) => {
    request.on('data', (part) => told.push(String(part)));
    request.on('end', () => response.writeHead(204).end());
  });
  await new Promise<void>((settle) => listener.listen(0, '127.0.0.1', settle));
  const url = `http://127.0.0.1:${(listener.address() as AddressInfo).port}/told`;
  try {
    await signIn(page, app, 'Rafe Orrin', '1357');
    await page.goto(`${app.url}/shop/programs`);
    await page.getByRole('button', { name: 'Tell a program' }).click();
    await page.getByLabel('Where it listens').fill('nowhere');
    await expect(page.getByText('An address such as')).toBeVisible();
    await page.getByLabel('Where it listens').fill(url);
    await page.getByLabel('Your own PIN').fill('1357');
    await page.getByRole('button', { name: 'Tell it from now on' }).click();
    await page.getByRole('button', { name: 'It was passed on' }).click();
    await page.getByRole('button', { name: 'Make a key' }).click();
    await page.getByLabel('What has it').fill('Till');
    await page.getByLabel('Your own PIN').fill('0000');
    await page.getByRole('button', { name: 'Make the key' }).click();
    await expect(page.getByRole('dialog').getByRole('alert')).toBeVisible();
    await page.getByLabel('Your own PIN').fill('1357');
    await page.getByRole('button', { name: 'Make the key' }).click();
    const key = (await page.getByRole('status').locator('.break-all').textContent()) ?? '';
    await page.getByRole('button', { name: 'It was passed on' }).click();
    await expect(page.getByText(key)).toHaveCount(0);
    const open = () =>
      fetch(`${app.url}/api/outside/v1/visits`, {
        method: 'POST',
        headers: {
          authorization: `Bearer ${key}`,
          'content-type': 'application/json',
          'idempotency-key': 'order-4711',
        },
        body: JSON.stringify({ vehicle: { id: 'v-carrick' }, kits: ['transfer-case-guard'], bay: 2 }),
      });
    expect((await open()).status).toBe(201);
    expect((await open()).status).toBe(200);
    await expect(page.getByText('The last tellings all arrived')).toBeVisible();
    expect(told.join()).toContain('visit.opened');
    await page.getByRole('button', { name: 'Take back the key of Till' }).click();
    await page.getByLabel('Your own PIN').fill('1357');
    await page.getByRole('button', { name: 'Take it back' }).click();
    await expect(page.getByText('No program has a key.')).toBeVisible();
    expect((await open()).status).toBe(401);
    await page.getByRole('button', { name: `Tell ${url} nothing more` }).click();
    await page.getByLabel('Your own PIN').fill('1357');
    await page.getByRole('button', { name: 'Tell it nothing more' }).click();
    await expect(page.getByText('No program is told anything.')).toBeVisible();
  } finally {
    listener.close();
  }
});

import { type WebSocket, WebSocketServer } from 'ws';
import { BAR_COUNT, expect, give, openJob, signIn, startAll as start, test } from './support/app.ts';
import { fitParts } from './support/line.ts';

const snug = (...stations: string[]) => stations.map((station) => ({ type: 'snug', station, tool: 'hand' }));

/** A bridge with an instrument behind it, as the test wants it. */
async function bridge(serial: string) {
  const server = new WebSocketServer({ host: '127.0.0.1', port: 0 });
  await new Promise((resolve) => server.once('listening', resolve));
  const told: string[] = [];
  const lines: WebSocket[] = [];
  server.on('connection', (socket) => {
    lines.push(socket);
    socket.on('message', (data) => {
      const text = String(data);
      told.push(text.trim());
      if (text.startsWith('?')) socket.send(`H,${serial},76,0.1\n`);
    });
  });
  const { port } = server.address() as { port: number };
  /** A pull to a torque, in pieces that keep to no line, with noise in the middle. */
  const pull = (nm: number) => {
    const text = `${Array.from({ length: 60 }, (_, at) => `S,${at * 20},${at},${((nm * at) / 59).toFixed(2)}`).join('\n')}\nS,1240,59,0.4\n`;
    for (let at = 0; at < text.length; at += 97) lines.at(-1)?.send(text.slice(at, at + 97));
  };
  return { address: `ws://127.0.0.1:${port}`, told, pull, lines, close: () => server.close() };
}

test('a real instrument behind a bridge: another one refused, the right one told its target and read', async ({
  page,
  app,
}) => {
  await signIn(page, app);
  const job = await openJob(page, 'v-carrick', 'rear-anti-roll-bar', { bush: 'rubber' });
  await give(page, job, ...BAR_COUNT);
  await fitParts(page, job);
  await give(page, job, ...start('n1', 'n2', 'b1', 'b2', 'b3', 'b4', 'l1', 'l2'), ...snug('n1', 'n2'));
  await page.goto(`${app.url}/jobs/${job}/line`);
  await expect(page.getByRole('button', { name: /Pull to click/ })).toBeEnabled();
  const label = await page.getByText(/^live from wrench /).textContent();
  const wanted = label?.replace('live from wrench ', '').trim() ?? '';
  const crib = (await page.evaluate(async () => (await fetch('/api/crib')).json())) as {
    wrenches: Array<{ label: string; serial: string }>;
  };
  const serial = crib.wrenches.find((wrench) => wrench.label === wanted)?.serial ?? '';
  expect(serial).not.toBe('');

  const other = await bridge('HL-0000');
  await page.keyboard.press('w');
  const sheet = page.getByRole('dialog').getByRole('region', { name: /^The line of/ });
  await sheet.getByRole('textbox', { name: 'Address of a bridge' }).fill(other.address);
  await sheet.getByRole('button', { name: 'By address' }).click();
  await expect(sheet.getByRole('status')).toContainText('it has not said yet who it is');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('alert')).toContainText(`This is HL-0000. ${wanted} is ${serial}`);
  await page.keyboard.press('w');
  await sheet.getByRole('button', { name: 'Back to the stand-in' }).click();

  const right = await bridge(serial);
  await sheet.getByRole('textbox', { name: 'Address of a bridge' }).fill(right.address);
  await sheet.getByRole('button', { name: 'By address' }).click();
  await expect(sheet.getByRole('status')).toContainText(`${serial} by ${right.address}, battery 76 %`, {
    timeout: 20_000,
  });
  await page.keyboard.press('Escape');
  await expect
    .poll(() => right.told.filter((text) => text.startsWith('T,')).length, { timeout: 20_000 })
    .toBeGreaterThan(0);
  const [, target] = right.told.findLast((text) => text.startsWith('T,'))?.split(',') ?? [];
  // A castle nut: the torque is read, and its pin is asked for.
  right.pull(Number(target) + 0.4);
  await expect(page.getByText('Does the pin go through?')).toBeVisible({ timeout: 20_000 });
  await page.getByRole('button', { name: 'Pin goes through' }).click();
  await page.getByRole('button', { name: 'A leg over the end' }).click();
  await expect(page.getByRole('heading', { name: 'Station L2' })).toBeVisible();
  // Read anew, the page finds the instrument where it was.
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Station L2' })).toBeVisible();
  await page.keyboard.press('w');
  await expect(sheet.getByRole('status')).toContainText(`${serial} by ${right.address}`, { timeout: 20_000 });
  await page.keyboard.press('Escape');
  // Its line breaks: said, and the screen waits for it.
  right.lines.at(-1)?.terminate();
  await page.keyboard.press('w');
  await expect(sheet.getByRole('status')).toContainText('broke');
  other.close();
  right.close();
});

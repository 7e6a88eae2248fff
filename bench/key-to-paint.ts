import { randomUUID } from 'node:crypto';
import { openDemoShop } from './demo-shop.ts';
import { largeKit } from './large-job.ts';

const SLOW_DOWN = 4;

const STATIONS = 400;

/** Commands a request takes. */
const BATCH = 50;

/**
 * Milliseconds from a key press to the painted next station on the line, with the processor slowed down. One plate of 400
 * bolts is larger than any this trade fits; several share them as a visit's kits do.
 * Measured in the page: from the keydown's own time stamp to the second frame after the station's name changed.
 */
export async function measureKeyToPaint(plates = 1): Promise<{ medianMs: number; worstMs: number; presses: number }> {
  const { url, page, close } = await openDemoShop(46399, 'Rafe Orrin', '1357');
  try {
    // A lead: the plate is larger than the lint lets pass without one.
    const kit = largeKit(STATIONS, plates);
    const made = await page.request.post(`${url}/api/kits?waive=measured`, { data: kit });
    if (!made.ok()) throw new Error(await made.text());
    const opened = await page.request.post(`${url}/api/jobs`, {
      data: { vehicle: 'v-tussock', kits: [kit.id], answers: {}, bay: 4, plannedStartMs: Date.now() },
    });
    const { id } = (await opened.json()) as { id: string };
    const commands = [
      ...kit.items.map((item) => ({ type: 'countLine', item: item.id, found: item.quantity, damaged: 0 })),
      ...kit.stations.map((station) => ({ type: 'startByHand', station: station.id })),
    ].map((command) => ({ id: randomUUID(), atMs: Date.now(), by: 'u-orrin', command }));
    for (let from = 0; from < commands.length; from += BATCH)
      await page.request.post(`${url}/api/jobs/${id}/commands`, {
        data: { commands: commands.slice(from, from + BATCH) },
      });
    await page.goto(`${url}/jobs/${id}/line`);
    await page.getByRole('heading', { name: 'Station 1', exact: true }).waitFor();
    const session = await page.context().newCDPSession(page);
    await session.send('Emulation.setCPUThrottlingRate', { rate: SLOW_DOWN });
    await page.evaluate(() => {
      const times: number[] = [];
      Object.assign(window, { keyToPaintMs: times });
      window.addEventListener(
        'keydown',
        (event) => {
          const pressedMs = event.timeStamp;
          const heading = () => document.querySelector('aside :is(h1, h2)')?.parentElement?.textContent;
          const before = heading();
          const watch = () => {
            if (heading() === before) requestAnimationFrame(watch);
            // The frame that holds the change is painted before the next one begins.
            else requestAnimationFrame((nowMs) => times.push(nowMs - pressedMs));
          };
          requestAnimationFrame(watch);
        },
        { capture: true },
      );
    });
    // Each press makes a station snug and brings the next.
    const presses = 48;
    for (let press = 0; press < presses; press++) {
      await page.keyboard.press('Space');
      await page.waitForTimeout(400);
    }
    const times = (await page.evaluate(() => (window as unknown as { keyToPaintMs: number[] }).keyToPaintMs)).sort(
      (a, b) => a - b,
    );
    if (times.length === 0) throw new Error('No press was measured');
    return { medianMs: times[Math.floor(times.length / 2)] ?? 0, worstMs: times.at(-1) ?? 0, presses: times.length };
  } finally {
    await close();
  }
}

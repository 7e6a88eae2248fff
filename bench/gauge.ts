import { type WebSocket, WebSocketServer } from 'ws';
import { BAR_COUNT, give, openJob, startAll } from '../e2e/support/app.ts';
import { fitParts } from '../e2e/support/line.ts';
import { openDemoShop } from './demo-shop.ts';

const SLOW_DOWN = 4;
/** Readings of the instrument, 1/s, and how long it is pulled, s. */
const [READINGS_PER_S, SECONDS] = [500, 8];
/** How often the bridge passes on what came, ms: as a cable does. */
const PASSED_ON_MS = 10;
const STARTED = ['n1', 'n2', 'b1', 'b2', 'b3', 'b4', 'l1', 'l2'];
const SNUG = ['n1', 'n2'];

/** A bridge with an instrument on it that is pulled at its own pace. */
async function bridge(serial: string) {
  const server = new WebSocketServer({ host: '127.0.0.1', port: 0 });
  await new Promise((resolve) => server.once('listening', resolve));
  const lines: WebSocket[] = [];
  server.on('connection', (socket) => {
    lines.push(socket);
    socket.on('message', (data) => String(data).startsWith('?') && socket.send(`H,${serial},76,0.1\n`));
  });
  const { port } = server.address() as { port: number };
  return {
    address: `ws://127.0.0.1:${port}`,
    /** Up to half of the target, so that nothing ends the pull. */
    pull: async (toNm: number) => {
      const startMs = performance.now();
      let sent = 0;
      const all = READINGS_PER_S * SECONDS;
      while (sent < all) {
        const due = Math.min(all, Math.floor(((performance.now() - startMs) / 1000) * READINGS_PER_S));
        let text = '';
        for (; sent < due; sent++)
          text += `S,${sent * 2},${(sent / 20).toFixed(1)},${((toNm * sent) / all).toFixed(2)}\n`;
        if (text) lines.at(-1)?.send(text);
        await new Promise((resolve) => setTimeout(resolve, PASSED_ON_MS));
      }
    },
    close: () => server.close(),
  };
}

/** Frames the torque screen paints while a wrench gives 500 readings a second, with the processor slowed down. */
export async function measureGauge(): Promise<{ framesPerS: number; worstMs: number; figuresPerS: number }> {
  const { url, page, close } = await openDemoShop(46398, 'Mira Vane', '2468');
  try {
    const id = await openJob(page, 'v-carrick', 'rear-anti-roll-bar', { bush: 'rubber' });
    await give(page, id, ...BAR_COUNT);
    await fitParts(page, id);
    await give(page, id, ...startAll(...STARTED), ...SNUG.map((station) => ({ type: 'snug', station, tool: 'hand' })));
    const crib = (await (await page.request.get(`${url}/api/crib`)).json()) as {
      wrenches: Array<{ label: string; serial?: string }>;
    };
    await page.goto(`${url}/jobs/${id}/line`);
    const label = (await page.getByText(/^live from wrench /).textContent())?.replace('live from wrench ', '').trim();
    const serial = crib.wrenches.find((wrench) => wrench.label === label)?.serial;
    if (serial === undefined) throw new Error(`No serial of ${label}`);
    const instrument = await bridge(serial);
    await page.keyboard.press('w');
    await page.getByRole('textbox', { name: 'Address of a bridge' }).fill(instrument.address);
    await page.getByRole('button', { name: 'By address' }).click();
    await page.getByText(`${serial} by ${instrument.address}`).waitFor();
    await page.keyboard.press('Escape');
    await page.waitForTimeout(1000);
    const session = await page.context().newCDPSession(page);
    await session.send('Emulation.setCPUThrottlingRate', { rate: SLOW_DOWN });
    await page.evaluate(() => {
      const frames: number[] = [];
      const shown = new Set<string>();
      Object.assign(window, { gaugeFrames: frames, gaugeShown: shown });
      const watch = (nowMs: number) => {
        frames.push(nowMs);
        const figure = document.querySelector('svg[aria-label^="live"]')?.getAttribute('aria-label');
        if (figure) shown.add(figure);
        requestAnimationFrame(watch);
      };
      requestAnimationFrame(watch);
    });
    await instrument.pull(20);
    const { frames, figures } = await page.evaluate(() => {
      const { gaugeFrames, gaugeShown } = window as unknown as { gaugeFrames: number[]; gaugeShown: Set<string> };
      return { frames: gaugeFrames, figures: gaugeShown.size };
    });
    instrument.close();
    const gaps = frames.slice(1).map((at, index) => at - (frames[index] ?? at));
    const spanS = ((frames.at(-1) ?? 0) - (frames[0] ?? 0)) / 1000;
    if (figures < 3) throw new Error(`The gauge showed ${figures} figures: nothing was measured`);
    return { framesPerS: gaps.length / spanS, worstMs: Math.max(...gaps), figuresPerS: figures / spanS };
  } finally {
    await close();
  }
}

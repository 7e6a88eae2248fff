import { spawn } from 'node:child_process';
import { chromium, type Page } from '@playwright/test';
import { CHROMIUM } from '../e2e/playwright.config.ts';

/** A demo shop of its own with somebody signed in at it, for what is measured on the screen. */
export interface DemoShop {
  url: string;
  page: Page;
  close(): Promise<void>;
}

/** Starts the built server on a port of its own and signs a person in. @throws where the server does not come up. */
export async function openDemoShop(port: number, name: string, pin: string): Promise<DemoShop> {
  const env = { ...process.env, PORT: String(port), WRENCHMAN_DEMO: '1', LOG_LEVEL: 'silent' };
  const server = spawn(process.execPath, ['dist/server/main.mjs'], { env, stdio: ['ignore', 'pipe', 'inherit'] });
  await new Promise<void>((settle, reject) => {
    server.stdout?.on('data', (chunk) => String(chunk).includes('READY') && settle());
    server.once('exit', (code) => reject(new Error(`server ended with ${code}`)));
  });
  const browser = await chromium.launch(CHROMIUM);
  const close = async () => {
    await browser.close();
    server.removeAllListeners('exit');
    server.kill('SIGKILL');
  };
  try {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' });
    const page = await context.newPage();
    const url = `http://127.0.0.1:${port}`;
    await page.goto(url);
    await page.getByRole('button', { name: new RegExp(name) }).click();
    await page.getByLabel(`PIN for ${name}`).fill(pin);
    await page.keyboard.press('Enter');
    await page.getByRole('heading', { name: 'Needs a hand' }).waitFor();
    return { url, page, close };
  } catch (reason) {
    await close();
    throw reason;
  }
}

import { describe, expect, it } from '@jest/globals';
import { WebSocket } from 'ws';
import { startListener } from './listener.ts';

describe('a listening program, stood in for', () => {
  it('tells whoever listens what it heard, in the lines of the format, and stops', async () => {
    const listener = await startListener(0);
    const tablet = new WebSocket(listener.address);
    await new Promise((resolve) => tablet.once('open', resolve));
    const line = new Promise<string>((resolve) => tablet.once('message', (data) => resolve(String(data))));
    listener.hear('done', 0.8);
    expect(JSON.parse(await line)).toEqual({ heard: 'done', confidence: 0.8 });
    const gone = new Promise((resolve) => tablet.once('close', resolve));
    await listener.stop();
    await gone;
    expect(listener.listeners()).toBe(0);
  });
});

import { afterEach, describe, expect, it, jest } from '@jest/globals';
import type { ServerRepository, Topic } from '../store/server-repository.ts';
import { News } from './news.ts';

/** The table that servers share. */
function table() {
  const versions = new Map<string, number>();
  return {
    away: false,
    versions: async function () {
      if (this.away) throw new Error('away');
      return new Map(versions);
    },
    changed: async (topic: Topic) => void versions.set(topic, (versions.get(topic) ?? 0) + 1),
  };
}
const newsOf = (shared: ReturnType<typeof table>, failed: (error: unknown) => void = () => undefined) =>
  new News(shared as unknown as ServerRepository, failed);

let running: News[] = [];
async function started(news: News) {
  running.push(news);
  await news.start();
  return news;
}
afterEach(async () => {
  jest.useRealTimers();
  await Promise.all(running.map((news) => news.stop()));
  running = [];
});

describe('news between servers', () => {
  it('are told by topic, once for each look, and not of before the start', async () => {
    jest.useFakeTimers();
    const shared = table();
    await shared.changed('jobs');
    const [one, two] = [await started(newsOf(shared)), newsOf(shared)];
    const heard: string[] = [];
    two.on('sessions', () => void heard.push('sessions'));
    two.on('jobs', () => void heard.push('jobs'));
    await started(two);
    await jest.advanceTimersByTimeAsync(1000);
    expect(heard).toEqual([]);
    await one.tell('sessions');
    await one.tell('sessions');
    await jest.advanceTimersByTimeAsync(1000);
    expect(heard).toEqual(['sessions']);
  });
  it('are told late where the database was away, and that it was is said once', async () => {
    jest.useFakeTimers();
    const shared = table();
    const failed = jest.fn();
    const news = newsOf(shared, failed);
    const heard = jest.fn<() => void>();
    news.on('wrenches', heard);
    await started(news);
    shared.away = true;
    await shared.changed('wrenches');
    await jest.advanceTimersByTimeAsync(10_000);
    expect([failed.mock.calls.length, heard.mock.calls.length]).toEqual([1, 0]);
    shared.away = false;
    await jest.advanceTimersByTimeAsync(5000);
    expect(heard).toHaveBeenCalledTimes(1);
  });
  it('are told again where whoever was told failed', async () => {
    jest.useFakeTimers();
    const shared = table();
    const news = newsOf(shared);
    let tries = 0;
    news.on('sessions', async () => {
      tries += 1;
      if (tries === 1) throw new Error('not now');
    });
    await started(news);
    await shared.changed('sessions');
    await jest.advanceTimersByTimeAsync(10_000);
    expect(tries).toBe(2);
  });
});

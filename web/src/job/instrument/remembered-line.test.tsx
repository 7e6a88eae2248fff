import { afterEach, describe, expect, it } from '@jest/globals';
import { useSettings } from '../../shop/settings.ts';
import { rememberedLine } from './remembered-line.ts';

const own = navigator as { serial?: unknown; bluetooth?: unknown };
const give = (name: 'serial' | 'bluetooth', value: unknown) =>
  Object.defineProperty(own, name, { value, configurable: true });
afterEach(() => {
  useSettings.setState({ paired: undefined, bridge: 'ws://localhost:9200' });
  give('serial', undefined);
  give('bluetooth', undefined);
});
const remember = (by: 'cable' | 'air' | 'address') => useSettings.setState({ paired: { wrenchId: 'w1', by } });
const name = async (wrench = 'w1') => (await rememberedLine(wrench))?.name;

describe('the line an instrument was last found on', () => {
  it('is none where none was, and none of another wrench', async () => {
    expect(await name()).toBeUndefined();
    remember('address');
    expect(await name('w2')).toBeUndefined();
  });
  it('is the address of the bridge', async () => {
    remember('address');
    useSettings.setState({ bridge: ' ws://10.0.0.4:9200 ' });
    expect(await name()).toBe('ws://10.0.0.4:9200');
  });
  it('is the one cable that was allowed; of two, or with none plugged in, nobody can tell', async () => {
    remember('cable');
    expect(await name()).toBeUndefined();
    give('serial', { getPorts: async () => [{}] });
    expect(await name()).toBe('cable');
    give('serial', { getPorts: async () => [{}, {}] });
    expect(await name()).toBeUndefined();
  });
  it('is the one device in the air, where the browser tells which it was allowed', async () => {
    remember('air');
    give('bluetooth', {});
    expect(await name()).toBeUndefined();
    give('bluetooth', { getDevices: async () => [new EventTarget()] });
    expect(await name()).toBe('Bluetooth');
  });
});

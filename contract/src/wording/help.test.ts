import { readFileSync } from 'node:fs';
import { describe, expect, it } from '@jest/globals';
import { HELP, helpOf } from './en/help.ts';

describe('help', () => {
  it.each([
    ['/', 'Bays'],
    ['/kits/read', 'Read a sheet'],
    ['/kits/side-steps', 'A kit’s revisions'],
    ['/kits/drafts/x/steps', 'Write a kit'],
    ['/crib/tools', 'Crib: sockets and tools'],
    ['/crib', 'Crib: wrenches'],
    ['/bench/torque', 'Bench'],
    ['/jobs/4d1c/line', 'The line'],
    ['/jobs/4d1c/record', 'The record'],
  ])('of %s is that of %s', (path, title) => expect(helpOf(path)?.title).toBe(title));

  it('is there for every screen the application has', () => {
    const paths = [
      '/receive',
      '/vehicles',
      '/due',
      '/book',
      '/handbook',
      '/vehicles/v-1',
      '/vehicles/recall',
      '/kits',
      '/shop',
      '/shop/tablets',
      '/shop/moving-in',
      '/shop/programs',
      '/crib/compounds',
      '/crib/fasteners',
      '/crib/reorder',
    ];
    const job = ['receive', 'conflicts', 'readiness', 'card', 'close-out', 'record', 'check-in', 'line', 'screen'].map(
      (part) => `/jobs/x/${part}`,
    );
    for (const path of [...paths, ...job]) expect([path, helpOf(path)?.title]).toEqual([path, expect.any(String)]);
    expect(helpOf('/nowhere')).toBeUndefined();
  });

  it('leads to no address that the application does not have', () => {
    const source = readFileSync('web/src/app/App.tsx', 'utf8');
    for (const address of Object.keys(HELP)) {
      const last =
        address
          .split('/')
          .filter((part) => part && part !== '*')
          .at(-1) ?? '';
      expect([address, source.includes(`${last}`)]).toEqual([address, true]);
    }
  });
});

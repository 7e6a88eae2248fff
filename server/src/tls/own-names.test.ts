import { describe, expect, it } from '@jest/globals';
import { machineNames, networkAddresses, reachedBy } from './own-names.ts';
import { isPrivateAddress } from './shop-certificates.ts';

const ADDRESSES = ['192.168.7.20', '10.1.2.3', 'fd00::2'];

describe('what this machine is reached by', () => {
  it.each([
    ['0.0.0.0', ['192.168.7.20', '10.1.2.3']],
    ['::', ADDRESSES],
    ['10.1.2.3', ['10.1.2.3']],
    ['harrow-lane.test', ADDRESSES],
    ['10.9.9.9', []],
  ])('listening on %s', (host, expected) => expect(reachedBy(host, ADDRESSES)).toEqual(expected));
  it('its addresses are private ones, its names may stand in a certificate', () => {
    for (const address of networkAddresses()) expect(isPrivateAddress(address)).toBe(true);
    for (const name of machineNames()) expect(name).toMatch(/^[a-z0-9.-]+$/);
  });
});

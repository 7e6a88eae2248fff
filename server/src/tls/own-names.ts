import { isIP } from 'node:net';
import { hostname, networkInterfaces } from 'node:os';
import { isPrivateAddress } from './shop-certificates.ts';

/** Addresses this machine has in private networks, without those of one link alone. */
export const networkAddresses = (): string[] =>
  Object.values(networkInterfaces()).flatMap((addresses = []) =>
    addresses
      .filter(
        ({ internal, address }) => !internal && !address.toLowerCase().startsWith('fe80:') && isPrivateAddress(address),
      )
      .map(({ address }) => address),
  );

/** Those of them that a server listening on `host` is reached by: `::` hears both versions, `0.0.0.0` the fourth alone. */
export function reachedBy(host: string, addresses: readonly string[]): string[] {
  if (host === '::') return [...addresses];
  if (host === '0.0.0.0') return addresses.filter((address) => isIP(address) === 4);
  return isIP(host) === 0 ? [...addresses] : addresses.filter((address) => address === host);
}

/** What may be a host name in a certificate. */
const HOST_NAME = /^[a-z0-9]([a-z0-9-]*[a-z0-9])?(\.[a-z0-9]([a-z0-9-]*[a-z0-9])?)*$/;

/** What this machine calls itself, bare and as it answers by multicast DNS. */
export function machineNames(): string[] {
  const name = hostname().toLowerCase();
  if (!HOST_NAME.test(name)) return [];
  return name.includes('.') ? [name] : [name, `${name}.local`];
}

import { isIP } from 'node:net';

/**
 * Whether a request's Host is one this server answers to: an address, this machine's own name for itself, or a name of
 * the configuration. Any other name may have been pointed here by somebody else (DNS rebinding).
 */
export function isKnownHost(host: string | undefined, names: readonly string[]): boolean {
  if (!host) return false;
  const name = host.replace(/:\d+$/, '').toLowerCase();
  return name === 'localhost' || isIP(name.replace(/^\[|\]$/g, '')) !== 0 || names.includes(name);
}

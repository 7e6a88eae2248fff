/** The page a tablet sees before it trusts this shop's server, in English. */
import { inLanguage } from '../say.ts';
export const TRUST_PAGE = inLanguage({
  title: 'Let this tablet trust the shop’s server',
  fetch: '1. Fetch the shop’s authority',
  install:
    '2. Open the file and let the tablet install it as a certificate authority, in its settings under security or certificates. It can vouch for this shop’s server and for nothing on the internet.',
  compare:
    '3. Compare. This page came in the clear, so do not believe it: let the tablet show the installed certificate’s SHA-256 fingerprint, and hold that against the lead’s screen. It should be',
  differs:
    'Where a single letter differs, remove it and tell a lead: something stands between this tablet and the server.',
  goOn: '4. The same: go on to Wrenchman',
});

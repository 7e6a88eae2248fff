/** The page a tablet sees before it trusts this shop's server, in English. */
export const TRUST_PAGE = {
  title: 'Let this tablet trust the shop’s server',
  compare:
    'First compare: these letters must be the same as on the lead’s screen and as the server printed when it started.',
  differs:
    'Where a single one differs, stop here and tell a lead: something stands between this tablet and the server.',
  fetch: 'Fetch the shop’s authority',
  install:
    'Then open the file and let the tablet install it as a certificate authority, in its settings under security or certificates. It can vouch for this shop’s server and for nothing on the internet.',
  goOn: 'Installed: go on to Wrenchman',
};

import 'reflect-metadata';
import { createHash, randomBytes, webcrypto } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { BlockList, isIP } from 'node:net';
import { join } from 'node:path';
import { AsnConvert } from '@peculiar/asn1-schema';
import {
  GeneralName,
  GeneralSubtree,
  GeneralSubtrees,
  id_ce_nameConstraints,
  NameConstraints,
} from '@peculiar/asn1-x509';
import {
  AuthorityKeyIdentifierExtension,
  BasicConstraintsExtension,
  cryptoProvider,
  ExtendedKeyUsage,
  ExtendedKeyUsageExtension,
  Extension,
  KeyUsageFlags,
  KeyUsagesExtension,
  PemConverter,
  SubjectAlternativeNameExtension,
  SubjectKeyIdentifierExtension,
  X509Certificate,
  X509CertificateGenerator,
} from '@peculiar/x509';

cryptoProvider.set(webcrypto as unknown as Crypto);

/** What a server shows to tablets, and the authority they must trust for it. PEM. */
export interface ShopCertificates {
  certPem: string;
  keyPem: string;
  caPem: string;
  /** SHA-256 of the authority, for comparing by eye: `AB:CD:…`. */
  fingerprint: string;
}

/** Why the certificates cannot be used or made, in one sentence for whoever starts the server. */
export class CertificateFault extends Error {}

const DAY_MS = 86_400_000;
const CA_DAYS = 3650;
/** Browsers refuse server certificates that live longer than 398 days. @see CA/Browser Forum Baseline Requirements, 6.3.2 */
const SERVER_DAYS = 390;
/** A certificate that ends within this is made anew at the start. */
const RENEW_DAYS = 40;
/** Clocks of tablets lag behind. */
const EARLIER_MS = DAY_MS;
const ALGORITHM = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' };

/**
 * Addresses the authority may vouch for: those of private networks and of this machine. A tablet that trusts it cannot be
 * deceived about any address of the public internet, even by whoever steals its key.
 * @see RFC 1918, RFC 6598, RFC 3927, RFC 4193, RFC 4291
 */
const PRIVATE_NETWORKS = [
  '10.0.0.0/8',
  '100.64.0.0/10',
  '172.16.0.0/12',
  '192.168.0.0/16',
  '169.254.0.0/16',
  '127.0.0.0/8',
  'fc00::/7',
  'fe80::/10',
  '::1/128',
];

const privateAddresses = new BlockList();
for (const network of PRIVATE_NETWORKS) {
  const [address = '', bits] = network.split('/');
  privateAddresses.addSubnet(address, Number(bits), isIP(address) === 6 ? 'ipv6' : 'ipv4');
}

/** Whether an address lies in a private network or is this machine's own. */
export const isPrivateAddress = (address: string): boolean =>
  privateAddresses.check(address, isIP(address) === 6 ? 'ipv6' : 'ipv4');

const generalNames = (names: readonly string[]) =>
  names.map((name) => ({ type: isIP(name) ? ('ip' as const) : ('dns' as const), value: name }));

/** RFC 5280, section 4.2.1.10: critical, so that what does not understand it refuses the authority. */
function nameConstraints(names: readonly string[]): Extension {
  const bases = [
    ...PRIVATE_NETWORKS.map((network) => new GeneralName({ iPAddress: network })),
    ...names.filter((name) => isIP(name) === 0).map((name) => new GeneralName({ dNSName: name })),
  ];
  const permittedSubtrees = new GeneralSubtrees(bases.map((base) => new GeneralSubtree({ base, minimum: 0 })));
  const value = AsnConvert.serialize(new NameConstraints({ permittedSubtrees }));
  return new Extension(id_ce_nameConstraints, true, value);
}

/**
 * A serial number: 16 random bytes, the first from 0x40 to 0x7F, so that it is positive and as short as DER wants it.
 * @see RFC 5280, section 4.1.2.2; ITU-T X.690, section 8.3.2
 */
function serial(): string {
  const bytes = randomBytes(16);
  bytes[0] = ((bytes[0] ?? 0) & 0x3f) | 0x40;
  return bytes.toString('hex');
}

const newKeys = (): Promise<CryptoKeyPair> =>
  webcrypto.subtle.generateKey(ALGORITHM, true, ['sign', 'verify']) as Promise<CryptoKeyPair>;

async function keyPem(key: CryptoKey): Promise<string> {
  return PemConverter.encode(await webcrypto.subtle.exportKey('pkcs8', key as webcrypto.CryptoKey), 'PRIVATE KEY');
}

async function readKey(pem: string): Promise<CryptoKey> {
  const [der] = PemConverter.decode(pem);
  return (await webcrypto.subtle.importKey('pkcs8', der as ArrayBuffer, ALGORITHM, false, ['sign'])) as CryptoKey;
}

/** Names a certificate was made for. */
const namesOf = (certificate: X509Certificate): string[] =>
  certificate.getExtension(SubjectAlternativeNameExtension)?.names.items.map(({ value }) => value) ?? [];

/** Host names an authority may vouch for. */
function hostNamesOf(ca: X509Certificate): string[] {
  const extension = ca.extensions.find(({ type }) => type === id_ce_nameConstraints);
  if (!extension) return [];
  const { permittedSubtrees } = AsnConvert.parse(extension.value, NameConstraints);
  return (permittedSubtrees ?? []).flatMap(({ base }) => base.dNSName ?? []);
}

const asPrivate = (file: string, text: string): void => {
  // Written whole or not at all: a half key would lock every tablet out.
  writeFileSync(`${file}.new`, text, { mode: 0o600 });
  renameSync(`${file}.new`, file);
};

async function makeAuthority(names: readonly string[], nowMs: number) {
  const keys = await newKeys();
  const certificate = await X509CertificateGenerator.createSelfSigned({
    serialNumber: serial(),
    name: `CN=Wrenchman shop authority ${randomBytes(3).toString('hex')}`,
    notBefore: new Date(nowMs - EARLIER_MS),
    notAfter: new Date(nowMs + CA_DAYS * DAY_MS),
    signingAlgorithm: ALGORITHM,
    keys,
    extensions: [
      new BasicConstraintsExtension(true, 0, true),
      new KeyUsagesExtension(KeyUsageFlags.keyCertSign | KeyUsageFlags.cRLSign, true),
      await SubjectKeyIdentifierExtension.create(keys.publicKey),
      nameConstraints(names),
    ],
  });
  return { certPem: certificate.toString('pem'), keyPem: await keyPem(keys.privateKey) };
}

async function makeServer(ca: X509Certificate, caKey: CryptoKey, names: readonly string[], nowMs: number) {
  const keys = await newKeys();
  const certificate = await X509CertificateGenerator.create({
    serialNumber: serial(),
    subject: 'CN=Wrenchman',
    issuer: ca.subject,
    notBefore: new Date(nowMs - EARLIER_MS),
    notAfter: new Date(nowMs + SERVER_DAYS * DAY_MS),
    signingAlgorithm: ALGORITHM,
    publicKey: keys.publicKey,
    signingKey: caKey,
    extensions: [
      new BasicConstraintsExtension(false, undefined, true),
      new KeyUsagesExtension(KeyUsageFlags.digitalSignature, true),
      new ExtendedKeyUsageExtension([ExtendedKeyUsage.serverAuth]),
      new SubjectAlternativeNameExtension(generalNames(names)),
      await AuthorityKeyIdentifierExtension.create(ca.publicKey),
    ],
  });
  return { certPem: certificate.toString('pem'), keyPem: await keyPem(keys.privateKey) };
}

const FILES = { ca: 'authority.crt', caKey: 'authority.key', cert: 'server.crt', key: 'server.key' } as const;

/**
 * The shop's own certificates, made at the first start and kept in a folder that only this account can read. The
 * authority stays, so that tablets that trust it go on; the server's certificate is made anew when it nears its end or
 * when the machine is reached by a name or address it does not carry.
 *
 * @param folder - where the four files lie
 * @param names - host names and addresses the server is reached by
 * @param ownNames - what the machine calls itself, which may change: vouched for where the authority may
 * @throws CertificateFault where files are missing or damaged, the authority has ended, or a host name was added that it
 *   may not vouch for
 */
export async function shopCertificates(
  folder: string,
  names: readonly string[],
  ownNames: readonly string[],
  nowMs: number,
): Promise<ShopCertificates> {
  const foreign = names.find((name) => isIP(name) !== 0 && !isPrivateAddress(name));
  if (foreign !== undefined)
    throw new CertificateFault(
      `${foreign} is no address of a private network, and the shop's authority vouches for no other: leave it out of HOSTS.`,
    );
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const at = (file: keyof typeof FILES) => join(folder, FILES[file]);
  if (existsSync(at('ca')) !== existsSync(at('caKey')))
    throw new CertificateFault(
      `Of ${at('ca')} and ${at('caKey')} one is missing: bring it back from a copy, or remove both and pair every tablet anew.`,
    );
  if (!existsSync(at('ca'))) {
    const made = await makeAuthority([...names, ...ownNames], nowMs);
    asPrivate(at('caKey'), made.keyPem);
    asPrivate(at('ca'), made.certPem);
  }
  const caPem = readFileSync(at('ca'), 'utf8');
  const ca = readCertificate(at('ca'), caPem);
  if (ca.notAfter.getTime() <= nowMs)
    throw new CertificateFault(
      `The shop's authority ended on ${ca.notAfter.toISOString().slice(0, 10)}: remove ${folder} and pair every tablet anew.`,
    );
  const mayName = hostNamesOf(ca);
  const strange = names.find((name) => isIP(name) === 0 && !mayName.includes(name));
  if (strange !== undefined)
    throw new CertificateFault(
      `The shop's authority vouches for ${mayName.join(', ')} and not for ${strange}. Leave ${strange} out, or remove ${folder} and pair every tablet anew.`,
    );
  const carried = [...new Set([...names, ...ownNames.filter((name) => mayName.includes(name))])];
  if (!(await stillGood(at('cert'), at('key'), ca, carried, nowMs))) {
    const made = await makeServer(ca, await readKeyFile(at('caKey')), carried, nowMs);
    asPrivate(at('key'), made.keyPem);
    asPrivate(at('cert'), made.certPem);
  }
  return {
    certPem: readFileSync(at('cert'), 'utf8'),
    keyPem: readFileSync(at('key'), 'utf8'),
    caPem,
    fingerprint: fingerprintOf(ca),
  };
}

/** SHA-256 of a certificate as it is compared by eye. */
export const fingerprintOf = (certificate: X509Certificate): string =>
  (createHash('sha256').update(Buffer.from(certificate.rawData)).digest('hex').toUpperCase().match(/../g) ?? []).join(
    ':',
  );

function readCertificate(file: string, pem: string): X509Certificate {
  try {
    return new X509Certificate(pem);
  } catch (error) {
    throw new CertificateFault(`${file} is no certificate (${(error as Error).message}): bring it back from a copy.`);
  }
}

async function readKeyFile(file: string): Promise<CryptoKey> {
  try {
    return await readKey(readFileSync(file, 'utf8'));
  } catch (error) {
    throw new CertificateFault(`${file} is no key (${(error as Error).message}): bring it back from a copy.`);
  }
}

/** Whether the server's certificate is of this authority, carries every name and lasts a while. */
async function stillGood(
  certFile: string,
  keyFile: string,
  ca: X509Certificate,
  names: readonly string[],
  nowMs: number,
): Promise<boolean> {
  if (!existsSync(certFile) || !existsSync(keyFile)) return false;
  const certificate = readCertificate(certFile, readFileSync(certFile, 'utf8'));
  const has = new Set(namesOf(certificate));
  return (
    certificate.notAfter.getTime() - nowMs > RENEW_DAYS * DAY_MS &&
    names.every((name) => has.has(name)) &&
    (await certificate.verify({ publicKey: ca.publicKey, signatureOnly: true }))
  );
}

import 'reflect-metadata';
import { webcrypto } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import * as x509 from '@peculiar/x509';
import { MS_PER_DAY } from '#core/measures';

/** Curves every tablet of the last ten years knows. */
const ALGORITHM = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' } as const;
const AUTHORITY_DAYS = 3650;
/** Tablets take no certificate that runs for longer than some two years; a short one is renewed while it is used. */
const SERVER_DAYS = 180;
/** Renewed this long before it ends. */
const RENEW_DAYS = 30;
const NAME = 'CN=Glaphyra of this workshop, O=This workshop';

/** What a server shows, and how long it holds. */
export interface Certificate {
  readonly key: string;
  readonly cert: string;
  readonly until: Date;
  /** What a tablet has to trust; undefined where the shop brought a certificate of its own. */
  readonly authority?: { readonly pem: string; readonly fingerprint: string };
}

interface Pair {
  readonly certificate: x509.X509Certificate;
  readonly key: string;
}

x509.cryptoProvider.set(webcrypto as Crypto);

/**
 * The certificate for some names and addresses: the one that was made before, or a new one where it names not all of
 * them, or ends soon. It is signed by an authority of the workshop's own, made once, which tablets learn to trust.
 * @param folder where both are kept, readable by this user alone
 */
export async function ownCertificate(folder: string, hosts: readonly string[], now: Date): Promise<Certificate> {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const authority =
    (await kept(folder, 'authority', now)) ?? (await made(folder, 'authority', await authorityFor(now)));
  const before = await kept(folder, 'server', now);
  const isGood =
    before !== undefined &&
    hosts.every((host) => namesOf(before.certificate).has(host)) &&
    (await before.certificate.verify({ publicKey: authority.certificate, date: now }));
  const server = isGood ? before : await made(folder, 'server', await serverFor(authority, hosts, now));
  const fingerprint = await authority.certificate.getThumbprint('SHA-256');
  return {
    key: server.key,
    cert: server.certificate.toString('pem') + '\n' + authority.certificate.toString('pem'),
    until: server.certificate.notAfter,
    authority: {
      pem: authority.certificate.toString('pem'),
      fingerprint: Buffer.from(fingerprint).toString('hex').toUpperCase().match(/../g)!.join(' '),
    },
  };
}

/** A certificate the shop brought itself. */
export function broughtCertificate(certFile: string, keyFile: string): Certificate {
  const cert = readFileSync(certFile, 'utf8');
  return { cert, key: readFileSync(keyFile, 'utf8'), until: new x509.X509Certificate(cert).notAfter };
}

/** Names and addresses a certificate is for. */
function namesOf(certificate: x509.X509Certificate): ReadonlySet<string> {
  const names = certificate.getExtension(x509.SubjectAlternativeNameExtension);
  return new Set(names?.names.items.map(({ value }) => value) ?? []);
}

const files = (folder: string, name: string) =>
  [path.join(folder, `${name}.pem`), path.join(folder, `${name}.key`)] as const;

/** What was made before, as long as it does not end soon. */
async function kept(folder: string, name: string, now: Date): Promise<Pair | undefined> {
  const [cert, key] = files(folder, name);
  if (!existsSync(cert) || !existsSync(key)) return undefined;
  try {
    const certificate = new x509.X509Certificate(readFileSync(cert, 'utf8'));
    const endsSoon = certificate.notAfter.getTime() - now.getTime() < RENEW_DAYS * MS_PER_DAY;
    return endsSoon || certificate.notBefore > now ? undefined : { certificate, key: readFileSync(key, 'utf8') };
  } catch {
    // Unreadable: made anew.
    return undefined;
  }
}

/** Keeps it, the key first and each whole or not at all. */
async function made(folder: string, name: string, pair: Pair): Promise<Pair> {
  const [cert, key] = files(folder, name);
  for (const [file, text] of [
    [key, pair.key],
    [cert, pair.certificate.toString('pem')],
  ] as const) {
    writeFileSync(`${file}.new`, text, { mode: 0o600 });
    renameSync(`${file}.new`, file);
  }
  return pair;
}

const span = (now: Date, days: number) => ({
  // Clocks of tablets are a little behind.
  notBefore: new Date(now.getTime() - MS_PER_DAY),
  notAfter: new Date(now.getTime() + days * MS_PER_DAY),
});
const keys = () => webcrypto.subtle.generateKey(ALGORITHM, true, ['sign', 'verify']) as Promise<CryptoKeyPair>;
const pemOf = async ({ privateKey }: CryptoKeyPair): Promise<string> =>
  x509.PemConverter.encode(await webcrypto.subtle.exportKey('pkcs8', privateKey), 'PRIVATE KEY');

async function authorityFor(now: Date): Promise<Pair> {
  const pair = await keys();
  const certificate = await x509.X509CertificateGenerator.createSelfSigned({
    name: NAME,
    keys: pair,
    signingAlgorithm: ALGORITHM,
    ...span(now, AUTHORITY_DAYS),
    extensions: [
      new x509.BasicConstraintsExtension(true, 0, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.keyCertSign | x509.KeyUsageFlags.cRLSign, true),
      await x509.SubjectKeyIdentifierExtension.create(pair.publicKey),
    ],
  });
  return { certificate, key: await pemOf(pair) };
}

async function serverFor(authority: Pair, hosts: readonly string[], now: Date): Promise<Pair> {
  const pair = await keys();
  const signingKey = await webcrypto.subtle.importKey(
    'pkcs8',
    x509.PemConverter.decodeFirst(authority.key),
    ALGORITHM,
    false,
    ['sign'],
  );
  const isAddress = (host: string) => /^[\d.]+$|:/.test(host);
  const certificate = await x509.X509CertificateGenerator.create({
    subject: `CN=${hosts[0] ?? 'localhost'}`,
    issuer: authority.certificate.subject,
    signingKey,
    publicKey: pair.publicKey,
    signingAlgorithm: ALGORITHM,
    ...span(now, SERVER_DAYS),
    extensions: [
      new x509.BasicConstraintsExtension(false, undefined, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.digitalSignature, true),
      new x509.ExtendedKeyUsageExtension([x509.ExtendedKeyUsage.serverAuth]),
      new x509.SubjectAlternativeNameExtension(
        hosts.map((value) => ({ type: isAddress(value) ? ('ip' as const) : ('dns' as const), value })),
      ),
      await x509.AuthorityKeyIdentifierExtension.create(authority.certificate),
    ],
  });
  return { certificate, key: await pemOf(pair) };
}

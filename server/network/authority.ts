import type * as X509 from '@peculiar/x509'
import { createHash, randomBytes, webcrypto, X509Certificate } from 'node:crypto'
import { isIP } from 'node:net'
import { join } from 'node:path'
import { readOwn, writeOwn } from './ownFile'

/** A certificate and its private key, PEM. */
export interface KeyPair {
  readonly cert: string
  readonly key: string
}

const ALGORITHM = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' } as const
const DAY_MS = 86_400_000
/** How long the authority is good for, and a certificate of it: phones take none that is good for longer. */
const AUTHORITY_DAYS = 3650
const CERTIFICATE_DAYS = 390
/** Clocks of phones go wrong by hours. */
const BEFORE_DAYS = 1

/** The package of certificates, loaded when it is first needed: it wants its polyfill there before it. */
async function certificates(): Promise<typeof X509> {
  await import('reflect-metadata')
  return import('@peculiar/x509')
}

const der = (tag: number, ...parts: readonly Uint8Array[]): Buffer => {
  const body = Buffer.concat(parts)
  const length =
    body.length < 0x80
      ? [body.length]
      : body.length < 0x100
        ? [0x81, body.length]
        : [0x82, body.length >> 8, body.length & 0xff]
  return Buffer.concat([Buffer.from([tag, ...length]), body])
}
/** Tags of DER: a sequence, permitted subtrees, a name and an address among general names. */
const [SEQUENCE, PERMITTED, DNS_NAME, IP_ADDRESS] = [0x30, 0xa0, 0x82, 0x87]

/** Addresses of networks at home, by address and length of the mask: private, link-local, this machine. */
const AT_HOME = [
  ['10.0.0.0', 8],
  ['172.16.0.0', 12],
  ['192.168.0.0', 16],
  ['169.254.0.0', 16],
  ['127.0.0.0', 8],
] as const
/** Ends of names that are known at home alone. */
const HOME_NAMES = ['local', 'lan', 'home.arpa', 'internal'] as const

const bytesOf = (address: string): number[] => address.split('.').map(Number)
const maskOf = (bits: number): number[] =>
  [0, 8, 16, 24].map(from => 0xff & (0xff << (8 - Math.max(0, Math.min(8, bits - from)))))
const numberOf = (address: string): number => bytesOf(address).reduce((sum, b) => sum * 256 + b, 0)

/** Whether the authority may vouch for a name or an address. */
export function isAtHome(name: string): boolean {
  if (isIP(name) === 4)
    return AT_HOME.some(([net, bits]) => {
      const size = 2 ** (32 - bits)
      return Math.floor(numberOf(name) / size) === Math.floor(numberOf(net) / size)
    })
  return isIP(name) === 0 && HOME_NAMES.some(end => name.endsWith(`.${end}`))
}

/**
 * What the authority may vouch for (RFC 5280, 4.2.1.10): whoever had its key could not stand in for any place
 * beyond the network at home.
 */
const homeAlone = (x509: typeof X509): X509.Extension =>
  new x509.Extension(
    '2.5.29.30',
    true,
    new Uint8Array(
      der(
        SEQUENCE,
        der(
          PERMITTED,
          ...AT_HOME.map(([net, bits]) =>
            der(SEQUENCE, der(IP_ADDRESS, Buffer.from([...bytesOf(net), ...maskOf(bits)]))),
          ),
          ...HOME_NAMES.map(name => der(SEQUENCE, der(DNS_NAME, Buffer.from(name, 'ascii')))),
        ),
      ),
    ),
  )

const within = (days: number): { readonly notBefore: Date; readonly notAfter: Date } => ({
  notBefore: new Date(Date.now() - BEFORE_DAYS * DAY_MS),
  notAfter: new Date(Date.now() + (days - BEFORE_DAYS) * DAY_MS),
})
/** A serial number of its own, positive (RFC 5280, 4.1.2.2). */
const serial = (): string => `4${randomBytes(16).toString('hex').slice(1)}`
const newKeys = () => webcrypto.subtle.generateKey(ALGORITHM, true, ['sign', 'verify'])
const keyPem = async (x509: typeof X509, key: webcrypto.CryptoKey): Promise<string> =>
  x509.PemConverter.encode(await webcrypto.subtle.exportKey('pkcs8', key), 'PRIVATE KEY')

/**
 * The authority of this data folder: made once, its private key readable by its owner alone.
 * @param folder where it is kept
 */
export async function authorityIn(folder: string): Promise<KeyPair> {
  const [certFile, keyFile] = [join(folder, 'authority.crt'), join(folder, 'authority.key')]
  const [cert, key] = [readOwn(certFile), readOwn(keyFile)]
  if (cert !== undefined && key !== undefined && new Date(new X509Certificate(cert).validTo) > new Date())
    return { cert, key }
  const x509 = await certificates()
  const keys = await newKeys()
  const made = await x509.X509CertificateGenerator.createSelfSigned(
    {
      serialNumber: serial(),
      name: `CN=Dunecrest at home ${randomBytes(3).toString('hex')}`,
      keys,
      signingAlgorithm: ALGORITHM,
      ...within(AUTHORITY_DAYS),
      extensions: [
        new x509.BasicConstraintsExtension(true, 0, true),
        new x509.KeyUsagesExtension(x509.KeyUsageFlags.keyCertSign | x509.KeyUsageFlags.cRLSign, true),
        await x509.SubjectKeyIdentifierExtension.create(keys.publicKey),
        homeAlone(x509),
      ],
    },
    webcrypto as never,
  )
  const pair = { cert: made.toString('pem'), key: await keyPem(x509, keys.privateKey) }
  writeOwn(keyFile, pair.key)
  writeOwn(certFile, pair.cert)
  return pair
}

/**
 * A certificate of an authority for the names that it may vouch for.
 * @param may which of them it vouches for
 */
export async function certificateFor(
  authority: KeyPair,
  names: readonly string[],
  may: (name: string) => boolean = isAtHome,
): Promise<KeyPair> {
  const x509 = await certificates()
  const issuer = new x509.X509Certificate(authority.cert)
  const signingKey = await webcrypto.subtle.importKey(
    'pkcs8',
    x509.PemConverter.decode(authority.key)[0]!,
    ALGORITHM,
    false,
    ['sign'],
  )
  const keys = await newKeys()
  const made = await x509.X509CertificateGenerator.create(
    {
      serialNumber: serial(),
      subject: 'CN=Dunecrest',
      issuer: issuer.subject,
      signingKey,
      publicKey: keys.publicKey,
      signingAlgorithm: ALGORITHM,
      ...within(CERTIFICATE_DAYS),
      extensions: [
        new x509.BasicConstraintsExtension(false, undefined, true),
        new x509.KeyUsagesExtension(x509.KeyUsageFlags.digitalSignature, true),
        new x509.ExtendedKeyUsageExtension([x509.ExtendedKeyUsage.serverAuth]),
        new x509.SubjectAlternativeNameExtension(
          names.filter(may).map(value => ({ type: isIP(value) ? 'ip' : 'dns', value }) as const),
        ),
        await x509.AuthorityKeyIdentifierExtension.create(issuer.publicKey),
      ],
    },
    webcrypto as never,
  )
  return { cert: made.toString('pem'), key: await keyPem(x509, keys.privateKey) }
}

/** What a person compares, in groups: SHA-256 of the certificate, the first sixteen bytes of it. */
export const fingerprintOf = (cert: string): string =>
  createHash('sha256')
    .update(new X509Certificate(cert).raw)
    .digest('hex')
    .toUpperCase()
    .slice(0, 32)
    .match(/.{4}/g)!
    .join(' ')

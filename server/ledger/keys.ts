import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import {
  CompactSign,
  calculateJwkThumbprint,
  compactVerify,
  decodeProtectedHeader,
  exportJWK,
  generateKeyPair,
  importJWK,
  type JWK,
} from 'jose';

const ALGORITHM = 'EdDSA';

/** The keys with which the office seals; whoever has the file can seal in its name. */
export interface SealKeys {
  /** Signs as JWS, with the newest key unless another is named by its thumbprint. */
  sign(payload: object, kid?: string): Promise<string>;
  /** Public keys, the newest last; each is known by its thumbprint. */
  readonly publicKeys: readonly JWK[];
}

/** A new key pair for Ed25519, as JWK with its thumbprint for a name. */
export async function newKey(): Promise<JWK> {
  const { privateKey } = await generateKeyPair(ALGORITHM, { crv: 'Ed25519', extractable: true });
  const key = await exportJWK(privateKey);
  return { ...key, alg: ALGORITHM, use: 'sig', kid: await calculateJwkThumbprint(key) };
}

const publicOf = ({ d: _, ...key }: JWK): JWK => key;

async function keysOf(keys: readonly JWK[]): Promise<SealKeys> {
  const newest = keys.at(-1)?.kid;
  if (!newest) throw new Error('The key file holds no key.');
  const own = new Map(await Promise.all(keys.map(async (key) => [key.kid, await importJWK(key, ALGORITHM)] as const)));
  return {
    publicKeys: keys.map(publicOf),
    sign: (payload, kid = newest) =>
      new CompactSign(new TextEncoder().encode(JSON.stringify(payload)))
        .setProtectedHeader({ alg: ALGORITHM, kid })
        .sign(own.get(kid)!),
  };
}

/** Keys that last as long as the process: for tests. */
export const passingKeys = async (...keys: JWK[]): Promise<SealKeys> =>
  keysOf(keys.length > 0 ? keys : [await newKey()]);

/** The keys of a file (JWKS), made with one key where there is none; readable by its owner alone. */
export async function openKeys(file: string): Promise<SealKeys> {
  if (!existsSync(file)) {
    mkdirSync(dirname(file), { recursive: true });
    try {
      writeFileSync(file, JSON.stringify({ keys: [await newKey()] }, undefined, 2), { mode: 0o600, flag: 'wx' });
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error; // another process has just made it
    }
  }
  const { keys } = JSON.parse(readFileSync(file, 'utf8')) as { keys: JWK[] };
  return keysOf(keys);
}

/** What a JWS says, where one of the keys has signed it; undefined where none has. */
export async function signedBy(keys: readonly JWK[], jws: string): Promise<unknown> {
  try {
    const { kid } = decodeProtectedHeader(jws);
    const own = keys.find((one) => one.kid === kid);
    if (!own) return undefined;
    const { payload } = await compactVerify(jws, await importJWK(own, ALGORITHM), { algorithms: [ALGORITHM] });
    return JSON.parse(new TextDecoder().decode(payload)) as unknown;
  } catch {
    return undefined;
  }
}

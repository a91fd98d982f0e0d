import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync, brotliDecompressSync } from 'node:zlib';
import type { FastifyInstance } from 'fastify';
import { buildApp } from '../app.js';
import { testDatabaseUrl } from './testing.js';

describe('the page', () => {
  let root: string;
  let app: FastifyInstance;

  beforeAll(async () => {
    root = await mkdtemp(join(tmpdir(), 'which-bore-web-'));
    await writeFile(
      join(root, 'index.html'),
      '<html><wb-frame ngcspnonce="CSP_NONCE"></wb-frame><script nonce="CSP_NONCE"></script></html>',
    );
    await writeFile(join(root, 'main-ABCD1234.js'), 'x');
    await writeFile(join(root, 'main-ABCD1234.js.br'), brotliCompressSync('packed'));
    await writeFile(join(root, 'zorro-light.css'), 'x');
    app = await buildApp({ databaseUrl: testDatabaseUrl(), webRoot: root, logLevel: 'silent' });
  });
  afterAll(async () => {
    await app.close();
    await rm(root, { recursive: true });
  });

  it('opens at every address of a station, so that links can be sent', async () => {
    for (const url of [
      '/bench',
      '/bench/7a0d5a1e-3f7f-4f43-8f25-5b8f4f4a1a11?candidate=x',
      '/swap',
      '/shelf',
      '/whatever',
    ]) {
      const answer = await app.inject({ url });
      expect([answer.statusCode, answer.headers['content-type']])
        .withContext(url)
        .toEqual([200, 'text/html; charset=utf-8']);
    }
    expect((await app.inject({ url: '/' })).headers.location).toBe('/bench');
  });

  it('carries a nonce of its own each time, which its policy names', async () => {
    const nonces = new Set<string>();
    for (let at = 0; at < 3; at++) {
      const answer = await app.inject({ url: '/bench' });
      const nonce = /ngcspnonce="([0-9a-f]{32})"/.exec(answer.body)?.[1] ?? '';
      expect(String(answer.headers['content-security-policy'])).toContain(`style-src 'self' 'nonce-${nonce}'`);
      expect(answer.body).not.toContain('CSP_NONCE');
      nonces.add(nonce);
    }
    expect(nonces.size).toBe(3);
  });

  it('is never kept by browsers; what carries a hash in its name is, for good', async () => {
    const cache = async (url: string) => (await app.inject({ url })).headers['cache-control'];
    expect(await cache('/bench')).toBe('no-store');
    expect(await cache('/main-ABCD1234.js')).toBe('public, max-age=31536000, immutable');
    expect(await cache('/zorro-light.css')).toBe('no-cache');
  });

  it('goes out as the build packed it to those who can unpack it, and is kept for good all the same', async () => {
    const asked = (encoding: string) =>
      app.inject({ url: '/main-ABCD1234.js', headers: { 'accept-encoding': encoding } });
    const packed = await asked('gzip, br');
    expect([packed.headers['content-encoding'], brotliDecompressSync(packed.rawPayload).toString()]).toEqual([
      'br',
      'packed',
    ]);
    expect(packed.headers['cache-control']).toBe('public, max-age=31536000, immutable');
    expect(String(packed.headers['content-type'])).toContain('javascript');
    const plain = await asked('identity');
    expect([plain.headers['content-encoding'], plain.body]).toEqual([undefined, 'x']);
  });

  it('is not given for a file, a route of the API or a change that leads nowhere', async () => {
    for (const [method, url] of [
      ['GET', '/missing.js'],
      ['GET', '/api/missing'],
      ['POST', '/bench'],
    ] as const) {
      const answer = await app.inject({ method, url });
      expect([answer.statusCode, answer.json<{ error: string }>().error]).toEqual([
        404,
        `There is nothing at ${method} ${url}.`,
      ]);
    }
  });
});

import { randomUUID } from 'node:crypto';
import type { FastifyInstance } from 'fastify';
import sharp from 'sharp';
import type { Photograph } from '@which-bore/core';
import { LARGEST_PHOTOGRAPH } from '../documents/photographStore.js';
import { appWithDemo } from './testing.js';

/** A form with one file, as a browser sends it. */
function form(name: string, file: Buffer): { readonly payload: Buffer; readonly headers: Record<string, string> } {
  const boundary = 'which-bore-boundary';
  const head = `--${boundary}\r\ncontent-disposition: form-data; name="file"; filename="${name}"\r\ncontent-type: application/octet-stream\r\n\r\n`;
  return {
    payload: Buffer.concat([Buffer.from(head), file, Buffer.from(`\r\n--${boundary}--\r\n`)]),
    headers: { 'content-type': `multipart/form-data; boundary=${boundary}`, 'x-who': 'Tilda' },
  };
}

const picture = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: '#a09070' } });

describe('photographs', () => {
  let app: FastifyInstance;
  let specimen: string;

  beforeAll(async () => {
    app = await appWithDemo();
  });
  afterAll(() => app.close());
  beforeEach(async () => {
    specimen = randomUUID();
    await app.inject({
      method: 'PUT',
      url: `/api/specimens/${specimen}`,
      payload: { name: 'Crank', kind: 'crank', readings: [], version: 0 },
    });
  });

  const send = (name: string, file: Buffer, query = '') =>
    app.inject({ method: 'POST', url: `/api/specimens/${specimen}/photographs${query}`, ...form(name, file) });
  const list = async () => (await app.inject({ url: `/api/specimens/${specimen}/photographs` })).json<Photograph[]>();

  it('are kept, shown whole and small, and belong to a reading', async () => {
    const reading = randomUUID();
    const answer = await send('web.png', await picture(900, 600).png().toBuffer(), `?reading=${reading}`);
    expect(answer.statusCode).toBe(201);
    const kept = answer.json<Photograph>();
    expect(kept).toEqual(jasmine.objectContaining({ name: 'web.png', width: 900, height: 600, reading, who: 'Tilda' }));
    const [whole, small] = await Promise.all(
      ['', '/thumbnail'].map((path) => app.inject({ url: `/api/photographs/${kept.id}${path}` })),
    );
    expect(whole?.headers['content-type']).toBe('image/jpeg');
    expect((await sharp(whole?.rawPayload).metadata()).width).toBe(900);
    expect((await sharp(small?.rawPayload).metadata()).width).toBe(240);
    expect((await list()).map(({ id }) => id)).toEqual([kept.id]);
  });

  it('lose what the camera wrote into them: place, owner and all (EXIF 2.32, tags GPSInfo and Artist)', async () => {
    const telling = await picture(300, 200)
      .withExif({
        IFD0: { Artist: 'The owner', Orientation: '6' },
        IFD3: { GPSLatitude: '47/1 22/1 0/1', GPSLatitudeRef: 'N' },
      })
      .jpeg()
      .toBuffer();
    expect((await sharp(telling).metadata()).exif?.length).toBeGreaterThan(0);
    const kept = (await send('flange.jpg', telling)).json<Photograph>();
    const { rawPayload } = await app.inject({ url: `/api/photographs/${kept.id}` });
    const { exif, orientation } = await sharp(rawPayload).metadata();
    expect(exif).toBeUndefined();
    expect(orientation).toBeUndefined();
    expect(rawPayload.toString('latin1')).not.toContain('The owner');
  });

  it('are made smaller where they are larger than a screen needs', async () => {
    const kept = (await send('large.jpg', await picture(4000, 3000).jpeg().toBuffer())).json<Photograph>();
    expect([kept.width, kept.height]).toEqual([2400, 1800]);
  });

  it('of twenty megabytes are refused with a reason', async () => {
    const answer = await send('huge.jpg', Buffer.alloc(20 * 1024 ** 2, 1));
    expect(answer.statusCode).toBe(413);
    expect(answer.json<{ error: string }>().error).toBe(
      `“huge.jpg” is larger than ${LARGEST_PHOTOGRAPH / 1024 ** 2} MiB. Send it smaller: half of the pixels are enough to read a mark.`,
    );
    expect(await list()).toEqual([]);
  });

  it('of the wrong type, and programs with the name of a picture, are refused with a reason', async () => {
    const elf = Buffer.concat([Buffer.from([0x7f, 0x45, 0x4c, 0x46]), Buffer.alloc(4096, 7)]);
    const script = Buffer.from(
      '<svg xmlns="http://www.w3.org/2000/svg" width="10" height="10"><script>alert(1)</script></svg>',
    );
    const cases: [string, Buffer, RegExp][] = [
      ['mark.jpg', elf, /cannot be opened as a picture, whatever its name says/],
      ['mark.png', Buffer.from('MZ not a picture at all'), /cannot be opened/],
      ['mark.svg', script, /is SVG, which is not taken/],
      ['mark.gif', await picture(20, 20).gif().toBuffer(), /is GIF, which is not taken/],
      ['empty.jpg', Buffer.alloc(0), /cannot be opened/],
      ['half.jpg', (await picture(800, 800).jpeg().toBuffer()).subarray(0, 700), /cannot be opened/],
    ];
    for (const [name, file, said] of cases) {
      const answer = await send(name, file);
      expect(answer.statusCode).withContext(name).toBe(415);
      expect(answer.json<{ error: string }>().error).withContext(name).toMatch(said);
    }
    expect(await list()).toEqual([]);
  });

  it('hidden in a picture do not survive: only the pixels are written anew', async () => {
    const carrier = Buffer.concat([await picture(40, 40).png().toBuffer(), Buffer.from('#!/bin/sh\necho hidden')]);
    const kept = (await send('carrier.png', carrier)).json<Photograph>();
    const { rawPayload } = await app.inject({ url: `/api/photographs/${kept.id}` });
    expect(rawPayload.toString('latin1')).not.toContain('echo hidden');
  });

  it('can be deleted and brought back', async () => {
    const kept = (await send('a.png', await picture(30, 30).png().toBuffer())).json<Photograph>();
    expect((await app.inject({ method: 'DELETE', url: `/api/photographs/${kept.id}` })).statusCode).toBe(204);
    expect((await app.inject({ url: `/api/photographs/${kept.id}` })).statusCode).toBe(404);
    expect((await app.inject({ method: 'POST', url: `/api/photographs/${kept.id}/restore` })).statusCode).toBe(200);
    expect((await list()).length).toBe(1);
  });

  it('of no specimen are refused', async () => {
    specimen = randomUUID();
    expect((await send('a.png', await picture(30, 30).png().toBuffer())).statusCode).toBe(404);
    const nothing = await app.inject({
      method: 'POST',
      url: `/api/specimens/${specimen}/photographs`,
      payload: '{}',
      headers: { 'content-type': 'application/json' },
    });
    expect(nothing.statusCode).toBeGreaterThanOrEqual(400);
    expect(nothing.statusCode).toBeLessThan(500);
  });
});

import { networkInterfaces, hostname } from 'node:os';
import createError from '@fastify/error';
import { checkTexts, cut, DataError, whyNotText } from '@which-bore/core';
import type { FastifyInstance, FastifyRequest } from 'fastify';

declare module 'fastify' {
  interface FastifyRequest {
    /** Who makes a change, from the header `x-who`: a name a person gave, not a proof. */
    readonly who: string;
  }
}

const MisdirectedError = createError(
  'MISDIRECTED',
  'This server is not called “%s”. Where it should be reached by that name, add the name to HOSTS before it is started.',
  421,
);
const ForeignOriginError = createError(
  'FOREIGN_ORIGIN',
  'A page of another origin (%s) may not change anything here. Open the application at its own address and do it there.',
  403,
);

/** Requests that change nothing, whoever makes them (RFC 9110, 9.2.1, "safe methods"). */
const SAFE = new Set(['GET', 'HEAD', 'OPTIONS']);
const LOOPBACK = ['localhost', '127.0.0.1', '::1'];
const LONGEST_NAME = 80;
export const NOBODY = 'somebody at the bench';

/** Name of a host as a header has it, without port and brackets, in small letters. */
const nameOf = (host: string): string =>
  host
    .toLowerCase()
    .replace(/:\d*$/, '')
    .replace(/^\[(.*)\]$/, '$1');

/**
 * What this machine may be called: itself, the address it listens on, its own addresses where it listens on all, and
 * names given.
 */
function ownNames(host: string, given: readonly string[]): ReadonlySet<string> {
  const all =
    host === '0.0.0.0' || host === '::'
      ? [hostname(), ...Object.values(networkInterfaces()).flatMap((each) => each?.map(({ address }) => address) ?? [])]
      : [];
  return new Set([...LOOPBACK, nameOf(host), ...all.map(nameOf), ...given.map(nameOf)]);
}

/**
 * The origin a browser says a request comes from, where that is not this server's own; nothing for tools, which say
 * none.
 */
function foreignOrigin({ headers }: FastifyRequest): string | undefined {
  const { origin, host = '' } = headers;
  const site = headers['sec-fetch-site'];
  if (origin !== undefined) {
    // Behind a proxy that speaks TLS the scheme is another; the name and the port must be the same.
    const from = URL.canParse(origin) ? new URL(origin).host : origin;
    const own = URL.canParse(`http://${host}`) ? new URL(`http://${host}`).host : host;
    const secure = URL.canParse(`https://${host}`) ? new URL(`https://${host}`).host : host;
    return from === own || from === secure ? undefined : origin;
  }
  return site === undefined || site === 'same-origin' || site === 'none' ? undefined : site;
}

function whoOf(request: FastifyRequest): string {
  const header = request.headers['x-who'];
  const given = (Array.isArray(header) ? header[0] : header) ?? '';
  let name = given;
  try {
    name = decodeURIComponent(given);
  } catch {
    // Not encoded: taken as it stands.
  }
  const what = whyNotText(name);
  if (what !== undefined) throw new DataError('The name cannot be kept.', [{ where: 'headers.x-who', what }]);
  return cut(name.trim(), LONGEST_NAME) || NOBODY;
}

/** The name of an uploaded file, as it can be kept. Throws a DataError for one that cannot. */
export function uploadedName(name: string): string {
  const what = whyNotText(name);
  if (what !== undefined) throw new DataError('The file cannot be taken by this name.', [{ where: 'body.file', what }]);
  return name;
}

/**
 * What every request has to pass: it calls this server by a name of its own (so that no name of a stranger's leads a
 * browser here), it does not come from a page of another origin where it would change something, and it holds no text
 * that cannot be kept.
 */
export function guardEdge(app: FastifyInstance, host: string, hosts: readonly string[]): void {
  const names = ownNames(host, hosts);
  app.decorateRequest('who', {
    getter(this: FastifyRequest) {
      return whoOf(this);
    },
  });
  app.addHook('onRequest', async (request) => {
    const called = request.headers.host ?? '';
    if (!names.has(nameOf(called))) throw new MisdirectedError(called);
    const foreign = SAFE.has(request.method) ? undefined : foreignOrigin(request);
    if (foreign !== undefined) throw new ForeignOriginError(foreign);
  });
  app.addHook('preValidation', async ({ body, query, params }) => {
    const problems = [...checkTexts(params, 'params'), ...checkTexts(query, 'query'), ...checkTexts(body, 'body')];
    if (problems.length > 0) throw new DataError('Some text cannot be kept.', problems);
  });
}

import { DataError, DesignationError, VehicleNumberError, type ErrorBody } from '@which-bore/core';
import type { FastifyError, FastifyInstance } from 'fastify';
import { isAway } from './database/away.js';
import { ChangedError } from './documents/errors.js';
import { NoListError } from './order/fetchList.js';
import { StoppingError } from './workshop/workshops.js';

interface Answer {
  readonly status: number;
  readonly body: ErrorBody;
}

const KIBIBYTE = 1024;

function answerTo(error: FastifyError | Error, bodyLimit: number): Answer {
  if (error instanceof DataError) return { status: 400, body: { error: error.what, problems: error.problems } };
  if (error instanceof DesignationError || error instanceof VehicleNumberError)
    return { status: 400, body: { error: error.message } };
  // Another’s server is at fault (RFC 4918, 11.4), and what it is stands in the message.
  if (error instanceof NoListError) return { status: 424, body: { error: error.message } };
  if (error instanceof ChangedError) return { status: 409, body: { error: error.message, current: error.current } };
  if (isAway(error)) {
    return {
      status: 503,
      body: { error: 'The database is away. What you typed is kept; it will be saved when the database is back.' },
    };
  }
  if (error instanceof StoppingError) return { status: 503, body: { error: error.message } };
  if ('validation' in error) {
    const problems = error.validation.map((each) => ({
      where: `${error.validationContext ?? 'body'}${each.instancePath.replace(/\/(\d+)(?=\/|$)/g, '[$1]').replaceAll('/', '.')}`,
      what: `${each.message ?? 'is not as it should be'}${'additionalProperty' in each.params ? ` (${String(each.params.additionalProperty)})` : ''}${'allowedValues' in each.params ? `: ${(each.params.allowedValues as unknown[]).join(', ')}` : ''}.`,
    }));
    return {
      status: 400,
      body: { error: 'The request is not in the form it should have. See /api/docs for an example.', problems },
    };
  }
  const code = 'code' in error ? error.code : '';
  if (code === 'FST_ERR_CTP_BODY_TOO_LARGE') {
    return {
      status: 413,
      body: { error: `The request is too large: at most ${bodyLimit / KIBIBYTE} KiB. Send it in pieces.` },
    };
  }
  if (code === 'FST_ERR_CTP_INVALID_MEDIA_TYPE' || code === 'FST_INVALID_MULTIPART_CONTENT_TYPE')
    return {
      status: 415,
      body: {
        error:
          'Send JSON, with the header content-type: application/json; a file to /api/imports as multipart/form-data, in a field called “file”.',
      },
    };
  const status = 'statusCode' in error && error.statusCode ? error.statusCode : 500;
  if (status === 400 && (error instanceof SyntaxError || code.startsWith('FST_')))
    return {
      status,
      body: {
        error: `The request is not JSON that can be read: ${error.message.replace(/\.$/, '')}. JSON has no NaN or Infinity, and its words stand in double quotes.`,
      },
    };
  if (status < 500) return { status, body: { error: error.message } };
  return { status: 500, body: { error: 'Something went wrong on the server. It is in the log; nothing was changed.' } };
}

/** Gives every error of the API its status and a message that says what was wrong, where, and what to do. */
export function installErrors(app: FastifyInstance, bodyLimit: number): void {
  app.setErrorHandler((error: FastifyError | Error, request, reply) => {
    const { status, body } = answerTo(error, bodyLimit);
    // A browser that went on to another page before its answer was out is no failure of the server.
    if (status >= 500 && !(error instanceof StoppingError) && !reply.raw.destroyed)
      request.log.error({ err: error }, 'request failed');
    return reply.status(status).send(body);
  });
}

import { CompareError, DataError, DesignationError, NoJointError, VehicleNumberError, type Problem } from '@which-bore/core';
import type { FastifyError, FastifyInstance } from 'fastify';
import { isAway } from './database/database.js';
import { RecordChangedError, RecordInUseError, UnknownRecordError } from './features/catalogueStore.js';
import { TooLargeError } from './features/imports.js';
import { ImportStateError, UnknownImportError } from './features/importStore.js';
import { JobChangedError, UnknownJobError } from './features/jobStore.js';
import { PhotographError, PhotographTooLargeError, UnknownPhotographError } from './features/photographStore.js';
import { ShopChangedError } from './features/shopStore.js';
import { ChangedMeanwhileError, NoSuchJobError, UnknownSpecimenError } from './features/specimenStore.js';

/** Something named in a request is not there. */
export class NotFoundError extends Error {}

/** Every error leaves the server in this shape: what was wrong, and where. */
export interface ErrorBody {
  readonly error: string;
  readonly problems?: readonly Problem[];
  readonly current?: unknown;
}

interface Answer {
  readonly status: number;
  readonly body: ErrorBody;
}

const KIBIBYTE = 1024;

const MISSING = [NotFoundError, UnknownSpecimenError, UnknownRecordError, UnknownImportError, UnknownJobError, UnknownPhotographError] as const;

function answerTo(error: FastifyError | Error, bodyLimit: number): Answer {
  if (error instanceof DataError) return { status: 400, body: { error: error.what, problems: error.problems } };
  if (error instanceof NoJointError || error instanceof CompareError || error instanceof DesignationError || error instanceof VehicleNumberError)
    return { status: 400, body: { error: error.message } };
  if (error instanceof PhotographError) return { status: 415, body: { error: error.message } };
  if (error instanceof NoSuchJobError) return { status: 400, body: { error: error.message } };
  if (MISSING.some((each) => error instanceof each)) return { status: 404, body: { error: error.message } };
  if (error instanceof TooLargeError || error instanceof PhotographTooLargeError) return { status: 413, body: { error: error.message } };
  if (error instanceof RecordInUseError || error instanceof ImportStateError) return { status: 409, body: { error: error.message } };
  if (error instanceof ChangedMeanwhileError || error instanceof RecordChangedError || error instanceof JobChangedError || error instanceof ShopChangedError)
    return { status: 409, body: { error: error.message, current: error.current } };
  if (isAway(error)) {
    return { status: 503, body: { error: 'The database is away. What you typed is kept; it will be saved when the database is back.' } };
  }
  if ('validation' in error) {
    const problems = error.validation.map((each) => ({
      where: `${error.validationContext ?? 'body'}${each.instancePath.replace(/\/(\d+)(?=\/|$)/g, '[$1]').replaceAll('/', '.')}`,
      what: `${each.message ?? 'is not as it should be'}${'additionalProperty' in each.params ? ` (${String(each.params.additionalProperty)})` : ''}${'allowedValues' in each.params ? `: ${(each.params.allowedValues as unknown[]).join(', ')}` : ''}.`,
    }));
    return { status: 400, body: { error: 'The request is not in the form it should have. See /api/docs for an example.', problems } };
  }
  const code = 'code' in error ? error.code : '';
  if (code === 'FST_ERR_CTP_BODY_TOO_LARGE') {
    return { status: 413, body: { error: `The request is too large: at most ${bodyLimit / KIBIBYTE} KiB. Send it in pieces.` } };
  }
  if (code === 'FST_ERR_CTP_INVALID_MEDIA_TYPE' || code === 'FST_INVALID_MULTIPART_CONTENT_TYPE')
    return {
      status: 415,
      body: { error: 'Send JSON, with the header content-type: application/json; a file to /api/imports as multipart/form-data, in a field called “file”.' },
    };
  const status = 'statusCode' in error && error.statusCode ? error.statusCode : 500;
  if (status === 400)
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
    if (status >= 500 && !reply.raw.destroyed) request.log.error({ err: error }, 'request failed');
    return reply.status(status).send(body);
  });
}

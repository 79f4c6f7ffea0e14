import { z } from 'zod';
import {
  changes,
  circuitRecord,
  customerReport,
  errorAnswer,
  factRecord,
  jobRecord,
  linkList,
  reportLink,
  session,
  sheetRecord,
} from '@jumper/contract';
import { ERRORS, type ErrorCode } from '../http/errors';

interface Operation {
  method: 'get' | 'put' | 'delete';
  path: string;
  summary: string;
  body?: z.ZodType;
  query?: Record<string, z.ZodType>;
  answer?: z.ZodType;
  /** A JPEG goes in, or comes out where nothing goes in. */
  picture?: boolean;
  errors: ErrorCode[];
}

const WRITE_ERRORS: ErrorCode[] = ['bad-request', 'foreign-origin', 'parent-missing', 'record-differs', 'too-large', 'unavailable'];
const put = z.object({ outcome: z.enum(['added', 'kept']) });

const OPERATIONS: Operation[] = [
  { method: 'get', path: '/api/session', summary: 'Who is asking, and for which company', answer: session, errors: ['unavailable'] },
  {
    method: 'get',
    path: '/api/changes',
    summary: 'Records added after a revision, oldest first',
    query: { after: z.number().int().min(0) },
    answer: changes,
    errors: ['bad-request', 'unavailable'],
  },
  { method: 'put', path: '/api/circuits/{id}', summary: 'Add a circuit', body: circuitRecord, answer: put, errors: WRITE_ERRORS },
  {
    method: 'put',
    path: '/api/circuits/{circuitId}/sheets/{id}',
    summary: 'Add a version of a circuit’s sheet',
    body: sheetRecord,
    answer: put,
    errors: WRITE_ERRORS,
  },
  { method: 'put', path: '/api/jobs/{id}', summary: 'Add a job', body: jobRecord, answer: put, errors: WRITE_ERRORS },
  {
    method: 'put',
    path: '/api/jobs/{jobId}/facts/{id}',
    summary: 'Add a fact to a job: a reading, an event, a finding, a correction',
    body: factRecord,
    answer: put,
    errors: WRITE_ERRORS,
  },
  {
    method: 'put',
    path: '/api/jobs/{jobId}/links/{id}',
    summary: 'Make a link under which the customer reads a report, for a while',
    body: reportLink,
    answer: put,
    errors: WRITE_ERRORS,
  },
  {
    method: 'get',
    path: '/api/jobs/{jobId}/links',
    summary: 'The links of a job; their keys are not kept',
    answer: linkList,
    errors: ['bad-request', 'unavailable'],
  },
  {
    method: 'delete',
    path: '/api/jobs/{jobId}/links/{id}',
    summary: 'Take a link back',
    errors: ['bad-request', 'foreign-origin', 'not-found', 'unavailable'],
  },
  {
    method: 'put',
    path: '/api/jobs/{jobId}/photos/{id}',
    summary: 'Add a picture to a job; a fact says what it shows',
    picture: true,
    answer: put,
    errors: WRITE_ERRORS,
  },
  {
    method: 'get',
    path: '/api/jobs/{jobId}/photos/{id}',
    summary: 'A picture of a job',
    picture: true,
    errors: ['bad-request', 'not-found', 'unavailable'],
  },
  {
    method: 'get',
    path: '/api/shared/{key}',
    summary: 'The report behind a link’s key, for whoever holds it',
    answer: customerReport,
    errors: ['not-found', 'unavailable'],
  },
];

/** The API's description, made from the very schemas that check the requests. */
export function openApi(): object {
  const paths: Record<string, Record<string, object>> = {};
  for (const op of OPERATIONS) (paths[op.path] ??= {})[op.method] = describe(op);
  return {
    openapi: '3.1.0',
    info: {
      title: 'Jumper',
      version: '1',
      description: 'Records have ids made by the client and are only ever added, so every write can be sent again without harm.',
    },
    paths,
  };
}

const schemaOf = (schema: z.ZodType) => z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' });
const json = (schema: z.ZodType) => ({ content: { 'application/json': { schema: schemaOf(schema) } } });

const JPEG = { content: { 'image/jpeg': { schema: { type: 'string', format: 'binary' } } } };

function describe(op: Operation): object {
  const inPath = [...op.path.matchAll(/\{(\w+)\}/g)].map((m) => ({
    name: m[1],
    in: 'path',
    required: true,
    schema: m[1] === 'key' ? { type: 'string' } : { type: 'string', format: 'uuid' },
  }));
  const inQuery = Object.entries(op.query ?? {}).map(([name, schema]) => ({
    name,
    in: 'query',
    required: false,
    schema: schemaOf(schema),
  }));
  const errors = op.errors.map((code) => [
    String(ERRORS[code].status),
    {
      description: op.errors
        .filter((c) => ERRORS[c].status === ERRORS[code].status)
        .map((c) => `${c}: ${ERRORS[c].remedy}`)
        .join(' '),
      ...json(errorAnswer),
    },
  ]);
  return {
    summary: op.summary,
    ...(inPath.length || inQuery.length ? { parameters: [...inPath, ...inQuery] } : {}),
    ...(op.body
      ? { requestBody: { required: true, ...json(op.body) } }
      : op.picture && op.method === 'put'
        ? { requestBody: { required: true, ...JPEG } }
        : {}),
    responses: {
      ...(op.method === 'put' ? { 201: { description: 'added', ...json(op.answer!) } } : {}),
      ...(op.method === 'delete'
        ? { 204: { description: 'taken back' } }
        : {
            200: {
              description: op.method === 'put' ? 'was there already' : 'ok',
              ...(op.answer ? json(op.answer) : op.picture ? JPEG : {}),
            },
          }),
      ...Object.fromEntries(errors),
    },
  };
}

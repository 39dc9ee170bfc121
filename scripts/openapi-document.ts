import { z } from 'zod';
import {
  createDocument,
  type oas31,
  type ZodOpenApiOperationObject,
  type ZodOpenApiOverride,
  type ZodOpenApiPathsObject,
} from 'zod-openapi';
import { version } from '../package.json';
import { contract } from '~/contract';
import type { Route } from '~/contract/route';

const JSON_TYPE = 'application/json';
const SIGNED_IN = 'signedIn';

const problems = z
  .strictObject({
    problems: z.array(
      z.strictObject({
        /** Where it stands in what was sent. */
        path: z.string(),
        code: z.string(),
        facts: z.record(z.string(), z.union([z.string(), z.number()])).optional(),
        /** For people. */
        message: z.string(),
      }),
    ),
  })
  .meta({
    id: 'Problems',
    description: 'What was wrong with what came in: where, which kind, and a sentence for people.',
  });

/** The contract as OpenAPI 3.1 tells it. */
export function openApiOf(): ReturnType<typeof createDocument> {
  const paths: Record<string, Record<string, ZodOpenApiOperationObject>> = {};
  for (const [name, route] of Object.entries<Route>(contract)) {
    const [method, address] = name.split(' ') as [string, string];
    const path = address.replace(/\[(\w+)\]/g, '{$1}');
    (paths[path] ??= {})[method.toLowerCase()] = operationOf(name, route);
  }
  return createDocument(
    {
      openapi: '3.1.0',
      info: { title: 'Paved Lane', version, description: 'Written from src/contract by `npm run openapi`.' },
      paths: paths as ZodOpenApiPathsObject,
      components: {
        securitySchemes: {
          [SIGNED_IN]: { type: 'apiKey', in: 'cookie', name: 'pl_sign_in', description: 'An account of the studio.' },
        },
      },
    },
    { override: describeOwn },
  );
}

/** What the package does not tell: files, and what is put in order once it is read, which looks as it was sent. */
function describeOwn({ jsonSchema, zodSchema, io }: Parameters<ZodOpenApiOverride>[0]): void {
  const { def } = zodSchema._zod;
  if (def.type === 'file') Object.assign(jsonSchema, { type: 'string', format: 'binary' });
  if (def.type !== 'pipe' || io !== 'output' || Object.keys(jsonSchema).length > 0) return;
  const sent = z.toJSONSchema((def as unknown as { in: z.ZodType }).in, { unrepresentable: 'any' });
  delete sent['$schema'];
  Object.assign(jsonSchema, sent);
}

function operationOf(name: string, route: Route): ZodOpenApiOperationObject {
  const isOpen = route.role === 'anybody';
  return {
    operationId: name.replace(/\W+/g, '-').replace(/-$/, '').toLowerCase(),
    summary: route.says,
    description: isOpen ? 'For anybody.' : `For accounts of the role ${route.role}, or above.`,
    security: isOpen ? [] : [{ [SIGNED_IN]: [] }],
    ...requestOf(route),
    responses: {
      200: { description: 'Done.', content: answerOf(route) },
      ...(route.conflict && {
        409: {
          description: 'Somebody was quicker; what is newer comes along.',
          content: { [JSON_TYPE]: { schema: problems.extend(route.conflict.shape) } },
        },
      }),
      '4XX': { description: 'Refused.', content: { [JSON_TYPE]: { schema: problems } } },
    },
  };
}

function requestOf({
  params,
  query,
  body,
  form,
  mostBytes,
}: Route): Pick<ZodOpenApiOperationObject, 'requestParams' | 'requestBody'> {
  const content = body
    ? { [JSON_TYPE]: { schema: body } }
    : form
      ? { 'multipart/form-data': { schema: form } }
      : mostBytes
        ? { 'application/octet-stream': { schema: { type: 'string' as const, format: 'binary' } } }
        : null;
  return {
    requestParams: { ...(params && { path: params }), ...(query && { query }) },
    ...(content && { requestBody: { required: true, content } }),
  };
}

function answerOf({ answer, lines, file }: Route): NonNullable<oas31.ResponseObject['content']> {
  const content: Record<string, unknown> = {};
  if (answer) content[JSON_TYPE] = { schema: answer };
  if (lines) {
    const schema = z.union([z.strictObject({ done: z.number() }), z.strictObject({ answer: lines })]);
    content['application/x-ndjson'] = { schema };
  }
  for (const type of file ?? []) content[type] = { schema: { type: 'string', format: 'binary' } };
  return content as NonNullable<oas31.ResponseObject['content']>;
}

import { z } from 'zod';
import { problemSchema } from '#formats/job';
import type { Endpoint } from './endpoint';

const schemaOf = (schema: z.ZodType, io: 'input' | 'output') => {
  const json = z.toJSONSchema(schema, { io, unrepresentable: 'any' });
  delete json.$schema;
  return json;
};

/** The OpenAPI document of all endpoints, made from the schemas they read and answer with. */
export function openApiDocument(endpoints: readonly Endpoint[]) {
  const paths: Record<string, Record<string, object>> = {};
  for (const definition of endpoints) {
    paths[definition.path] = { ...paths[definition.path], [definition.method]: operation(definition) };
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Glaphyra',
      version: '1',
      description: 'Jobs, product sheets, bays and instruments of one workshop.',
    },
    paths,
  };
}

function operation({ path, summary, body, fileBytes, answer, versioned }: Endpoint): object {
  const names = [...path.matchAll(/\{(\w+)\}/g)].map(([, name]) => name!);
  const media = answer.stream ? 'text/event-stream' : (answer.media ?? 'application/json');
  return {
    summary,
    parameters: [
      ...names.map((name) => ({ name, in: 'path', required: true, schema: { type: 'string' } })),
      ...(versioned
        ? [
            {
              name: 'If-Match',
              in: 'header',
              required: true,
              schema: { type: 'string' },
              description: 'the version that was edited, as "3"',
            },
          ]
        : []),
    ],
    ...(body && {
      requestBody: { required: true, content: { 'application/json': { schema: schemaOf(body, 'input') } } },
    }),
    ...(fileBytes && { requestBody: { required: true, content: { 'application/octet-stream': {} } } }),
    responses: {
      [answer.status]: {
        description: summary,
        ...((answer.schema || answer.stream || answer.media) && {
          content: { [media]: { schema: answer.schema ? schemaOf(answer.schema, 'output') : { type: 'string' } } },
        }),
      },
      default: {
        description: 'what was wrong, with its place and remedy',
        content: { 'application/problem+json': { schema: schemaOf(problemSchema, 'output') } },
      },
    },
  };
}

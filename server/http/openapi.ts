import { z } from 'zod';
import { paramNames, type ProblemKind, PROBLEMS, problemSchema, problemsOf, type Route, ROUTES } from '#formats/api';

const schemaOf = (schema: z.ZodType, io: 'input' | 'output') => {
  const json = z.toJSONSchema(schema, { io, unrepresentable: 'any' });
  delete json.$schema;
  return json;
};

/** The OpenAPI document of all routes, from the contract the server answers by. */
export function openApiDocument() {
  const paths: Record<string, Record<string, object>> = {};
  for (const [name, route] of Object.entries<Route>(ROUTES)) {
    paths[route.path] = { ...paths[route.path], [route.method]: operation(name, route) };
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Glaphyra',
      version: '1',
      description: 'Jobs, product sheets, stock, bays, instruments and people of one workshop.',
    },
    paths,
    components: { schemas: { Problem: schemaOf(problemSchema, 'output') } },
  };
}

function operation(operationId: string, route: Route): object {
  const { summary, body, fileBytes } = route;
  return {
    operationId,
    summary,
    parameters: parametersOf(route),
    ...(body && {
      requestBody: { required: true, content: { 'application/json': { schema: schemaOf(body, 'input') } } },
    }),
    ...(fileBytes && { requestBody: { required: true, content: { 'application/octet-stream': {} } } }),
    responses: { ...goodAnswer(route), ...problemAnswers(problemsOf(route)) },
  };
}

function parametersOf({ path, query, versioned }: Route): object[] {
  const asked = query && schemaOf(query, 'input');
  return [
    ...paramNames(path).map((name) => ({ name, in: 'path', required: true, schema: { type: 'string' } })),
    ...Object.entries(asked?.properties ?? {}).map(([name, schema]) => ({
      name,
      in: 'query',
      required: asked?.required?.includes(name) ?? false,
      schema,
    })),
    ...(versioned
      ? [
          {
            name: 'If-Match',
            in: 'header',
            required: true,
            schema: { type: 'string' },
            description: 'the version that was edited, as "3"; "0" for a new one',
          },
        ]
      : []),
  ];
}

function goodAnswer({ summary, answer }: Route): object {
  const text = { type: 'string' };
  const content =
    'schema' in answer
      ? { 'application/json': { schema: schemaOf(answer.schema, 'output') } }
      : 'media' in answer
        ? { [answer.media]: { schema: text } }
        : 'stream' in answer
          ? { 'text/event-stream': { schema: text } }
          : undefined;
  return { [answer.status]: { description: summary, ...(content && { content }) } };
}

/** What else can be answered, by status. */
function problemAnswers(kinds: readonly ProblemKind[]): object {
  const statuses = [...new Set(kinds.map((kind) => PROBLEMS[kind].status))].sort((a, b) => a - b);
  const schema = { $ref: '#/components/schemas/Problem' };
  return Object.fromEntries(
    statuses.map((status) => {
      const titles = kinds.filter((kind) => PROBLEMS[kind].status === status).map((kind) => PROBLEMS[kind].title);
      return [status, { description: titles.join('; '), content: { 'application/problem+json': { schema } } }];
    }),
  );
}

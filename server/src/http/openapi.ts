import type { Hono } from 'hono';
import { z } from 'zod';
import { ProblemSchema } from '#contract/problem.ts';
import { checkedBy, descriptionOf } from './described.ts';

type Json = Record<string, unknown>;
/** Routes another program may use with a key; the others are the application's own and change with it. */
const OUTSIDE = '/api/outside/v1/';
const PUBLIC = ['/api/session', '/api/opening', '/api/openapi.json'];

/** Schemas of a document, each under a name of its own. */
class Components {
  readonly schemas: Json = {};
  private readonly names = new Map<z.ZodType, string>();

  /** A reference to a schema, which is made from the Zod schema that is checked. */
  refer(schema: z.ZodType, name: string, io: 'input' | 'output'): Json {
    const known = this.names.get(schema);
    if (known !== undefined) return { $ref: `#/components/schemas/${known}` };
    let free = name;
    for (let serial = 2; free in this.schemas; serial++) free = `${name}${serial}`;
    this.names.set(schema, free);
    const { $schema: _, ...made } = z.toJSONSchema(schema, {
      io,
      unrepresentable: 'any',
      target: 'draft-2020-12',
    }) as Json;
    this.schemas[free] = this.lifted(made, free);
    return { $ref: `#/components/schemas/${free}` };
  }

  /** Definitions inside a schema become components: their references count from the root of the document. */
  private lifted({ $defs, ...schema }: Json, name: string): Json {
    const rename = (value: unknown): unknown => {
      if (Array.isArray(value)) return value.map(rename);
      if (typeof value !== 'object' || value === null) return value;
      return Object.fromEntries(
        Object.entries(value).map(([key, part]) => {
          if (key !== '$ref' || typeof part !== 'string') return [key, rename(part)];
          return [
            key,
            part === '#' ? `#/components/schemas/${name}` : part.replace('#/$defs/', `#/components/schemas/${name}.`),
          ];
        }),
      );
    };
    for (const [part, definition] of Object.entries(($defs ?? {}) as Json))
      this.schemas[`${name}.${part}`] = rename(definition);
    return rename(schema) as Json;
  }
}

/** `/api/jobs/:jobId/photos` as `/api/jobs/{jobId}/photos`, with the names of its parameters. */
function template(path: string): { path: string; names: string[] } {
  const names: string[] = [];
  const made = path.replace(/:(\w+)(\{[^}]*\})?/g, (_, name: string) => {
    names.push(name);
    return `{${name}}`;
  });
  return { path: made, names };
}

const titled = (text: string): string =>
  text
    .split(/[^A-Za-z0-9]+/)
    .filter(Boolean)
    .map((word) => word[0]?.toUpperCase() + word.slice(1))
    .join('');

/** Parameters of a target, one by one, as OpenAPI wants them. */
function parameters(schema: z.ZodType, place: 'query' | 'header'): Json[] {
  const made = z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }) as {
    properties?: Json;
    required?: string[];
  };
  return Object.entries(made.properties ?? {}).map(([field, type]) => ({
    name: field,
    in: place,
    required: made.required?.includes(field) ?? false,
    schema: type,
  }));
}

/**
 * The API as OpenAPI 3.1, made from the routes that are served and the schemas they check.
 *
 * @see https://spec.openapis.org/oas/v3.1.1
 */
export function openApi(app: Pick<Hono, 'routes'>, version: string): Json {
  const components = new Components();
  const paths: Record<string, Json> = {};
  const routes = new Map<string, { method: string; path: string; handlers: object[] }>();
  for (const { method, path, handler } of app.routes) {
    if (method === 'ALL' || !path.startsWith('/api/') || path.includes('*')) continue;
    const key = `${method} ${path}`;
    const known = routes.get(key) ?? { method, path, handlers: [] };
    known.handlers.push(handler);
    routes.set(key, known);
  }
  const problemAnswer = {
    description: 'What was wrong, as RFC 9457 problem details',
    content: { 'application/problem+json': { schema: components.refer(ProblemSchema, 'Problem', 'output') } },
  };
  for (const { method, path, handlers } of routes.values()) {
    const { path: address, names } = template(path);
    const name = titled(`${method.toLowerCase()} ${path.replace('/api/', '').replace(/:/g, 'by ')}`);
    const description = handlers.map(descriptionOf).find((found) => found !== undefined);
    const checked = handlers.flatMap((handler) => checkedBy(handler) ?? []);
    const body = checked.find(({ target }) => target === 'json');
    const answers = Object.entries(description?.answers ?? {}).map(([status, schema]) => [
      status,
      {
        description: 'As asked',
        content: { 'application/json': { schema: components.refer(schema, `${name}Answer`, 'output') } },
      },
    ]);
    const own = path.startsWith(OUTSIDE);
    paths[address] = {
      ...paths[address],
      [method.toLowerCase()]: {
        operationId: name,
        summary: description?.summary ?? `${method} ${address}`,
        tags: [own ? 'for other programs' : 'of the application'],
        security: own ? [{ key: [] }] : PUBLIC.some((open) => path.startsWith(open)) ? [] : [{ session: [] }],
        parameters: [
          ...names.map((parameter) => ({ name: parameter, in: 'path', required: true, schema: { type: 'string' } })),
          ...checked.flatMap(({ target, schema }) =>
            target === 'query' || target === 'header' ? parameters(schema, target) : [],
          ),
        ],
        ...(body
          ? {
              requestBody: {
                required: true,
                content: { 'application/json': { schema: components.refer(body.schema, `${name}Body`, 'input') } },
              },
            }
          : {}),
        responses: {
          ...(answers.length > 0 ? Object.fromEntries(answers) : { '2XX': { description: 'As asked' } }),
          default: problemAnswer,
        },
      },
    };
  }
  return {
    openapi: '3.1.1',
    info: {
      title: 'Wrenchman',
      version,
      description:
        'Routes below /api/outside/v1 are for other programs, with a key of the shop, and keep their shape. The rest is what the application itself speaks, and changes with it.',
    },
    servers: [{ url: '/' }],
    paths,
    components: {
      schemas: components.schemas,
      securitySchemes: {
        key: { type: 'http', scheme: 'bearer', description: 'A key of the shop, with the scopes a lead gave it' },
        session: { type: 'apiKey', in: 'cookie', name: 'wrenchman_session' },
      },
    },
  };
}

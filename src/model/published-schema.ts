/**
 * The JSON Schema of a plan, read off its validator, so that the two can't differ; what a file says in words beside an
 * entry is kept from the schema as it stands, by its place. What hangs on two entries (a cut of a product that is
 * there) is beyond JSON Schema and stays with the validator.
 */
import type { AnyObject, Schema, SchemaDescription } from 'yup';
import { LOWEST_PLACE_DEG } from './checks.ts';
import { PLAN_VERSION, planSchema } from './plan.ts';

export type JsonSchema = Readonly<Record<string, unknown>>;

const DRAFT = 'https://json-schema.org/draft/2020-12/schema';
const DIRECTION = {
  type: 'array',
  description: 'Azimuth from the face (positive to her left) and elevation, degrees.',
  prefixItems: [
    { type: 'number', minimum: -180, maximum: 180 },
    { type: 'number', minimum: LOWEST_PLACE_DEG, maximum: 90 },
  ],
  items: false,
  minItems: 2,
};

/** @param words the schema as it stands, from which descriptions are taken. */
export function planJsonSchema(words: JsonSchema): JsonSchema {
  const head = {
    $schema: DRAFT,
    $id: `meshwork:plan:${PLAN_VERSION}`,
    title: `Meshwork plan, version ${PLAN_VERSION}`,
  };
  return withWords({ ...head, ...jsonOf(planSchema), $defs: { direction: DIRECTION } }, words);
}

/** Any other document that is published by its schema. */
export function publishedSchema(schema: Schema, id: string, title: string, words: JsonSchema): JsonSchema {
  return withWords({ $schema: DRAFT, $id: id, title, ...jsonOf(schema) }, words);
}

type Described = SchemaDescription & {
  readonly oneOf: readonly unknown[];
  readonly meta?: AnyObject;
  readonly tests: ReadonlyArray<{ readonly name?: string; readonly params?: AnyObject }>;
};

function jsonOf(schema: Schema): AnyObject {
  const { nullable, oneOf } = schema.describe() as Described;
  const json = shapeOf(schema);
  // A choice has null among its values.
  return nullable && oneOf.length === 0 ? { oneOf: [json, { type: 'null' }] } : json;
}

function shapeOf(schema: Schema): AnyObject {
  const { type, oneOf, meta, tests, nullable } = schema.describe() as Described;
  if (meta?.shapes) return { oneOf: Object.values(meta.shapes as Record<string, Schema>).map(jsonOf) };
  if (meta?.anyRecord) return { type: 'object' };
  if (meta?.each) return { type: 'object', additionalProperties: jsonOf(meta.each as Schema) };
  if (type === 'tuple' || meta?.direction) return { $ref: '#/$defs/direction' };
  const choices = [...oneOf, ...(nullable && oneOf.length > 0 && !oneOf.includes(null) ? [null] : [])];
  if (choices.length === 1) return { const: choices[0] };
  if (choices.length > 1) return { enum: choices };
  const limit = (name: string) => tests.find((t) => t.name === name)?.params?.[name] as number | undefined;
  const [min, max] = [limit('min'), limit('max')];
  switch (type) {
    case 'string':
      return {
        type,
        ...given('minLength', tests.some((t) => t.name === 'required') ? 1 : undefined),
        // Blanks alone are nothing written.
        ...given('pattern', tests.some((t) => t.name === 'written') ? '\\S' : undefined),
        ...given('maxLength', max),
      };
    case 'number':
      return {
        type: tests.some((t) => t.name === 'integer') ? 'integer' : type,
        ...given('minimum', min),
        ...given('maximum', max),
      };
    case 'array':
      return {
        type,
        items: jsonOf((schema as unknown as { innerType: Schema }).innerType),
        ...given('minItems', min),
        ...given('maxItems', max),
      };
    case 'object':
      return objectOf((schema as unknown as { fields: Record<string, Schema> }).fields);
    case 'boolean':
      return { type };
    default:
      throw new Error(`The validator has an entry of type ${type} whose shape it doesn’t say.`);
  }
}

function objectOf(fields: Readonly<Record<string, Schema>>): AnyObject {
  const names = Object.keys(fields);
  return {
    type: 'object',
    properties: Object.fromEntries(names.map((name) => [name, jsonOf(fields[name])])),
    required: names.filter((name) => !fields[name].describe().optional),
    additionalProperties: false,
  };
}

const given = (name: string, value: unknown) => (value === undefined ? {} : { [name]: value });

/** Descriptions of `words`, wherever it has the same place. */
function withWords(made: unknown, words: unknown): AnyObject {
  if (Array.isArray(made)) return made.map((m, i) => withWords(m, (words as unknown[])?.[i])) as AnyObject;
  if (typeof made !== 'object' || made === null) return made as AnyObject;
  const said = (words ?? {}) as AnyObject;
  const own = Object.fromEntries(Object.entries(made).map(([name, m]) => [name, withWords(m, said[name])]));
  const isSchema = 'type' in made || 'enum' in made || 'const' in made || 'oneOf' in made || '$ref' in made;
  return isSchema && typeof said.description === 'string' ? { ...own, description: said.description } : own;
}

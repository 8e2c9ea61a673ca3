/** The JSON Schema of the computed plan. */
import { type JsonSchema, publishedSchema } from '../model/published-schema.ts';
import { COMPUTED_VERSION, computedSchema } from './computed-schema.ts';

/** @param words the schema as it stands, from which descriptions are taken. */
export const computedJsonSchema = (words: JsonSchema) =>
  publishedSchema(
    computedSchema,
    `meshwork:computed-plan:${COMPUTED_VERSION}`,
    `Meshwork computed plan, version ${COMPUTED_VERSION}`,
    words,
  );

/** JSON Schemas of what is written for others: the computed plan, and what a backup says of itself. */
import { BACKUP_VERSION, manifestSchema } from '../model/backup-schema.ts';
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

export const backupJsonSchema = (words: JsonSchema) =>
  publishedSchema(
    manifestSchema,
    `meshwork:backup:${BACKUP_VERSION}`,
    `Meshwork backup, manifest.json, version ${BACKUP_VERSION}`,
    words,
  );

/** A record with only what it holds: what may be left out is there or isn’t, never undefined. */
export const given = <T extends object>(record: { readonly [K in keyof T]: T[K] | undefined }): T =>
  Object.fromEntries(Object.entries(record).filter(([, value]) => value !== undefined)) as T;

/**
 * Results of a stage kept by the key of everything they hang on, newest first. A slider that moves back and
 * forth finds both of its ends; nothing is kept for ever.
 */
export class Memo {
  private readonly kept = new Map<string, Map<string, unknown>>();

  constructor(private readonly perStage = 3) {}

  get<T>(stage: string, key: string, compute: () => T): T {
    let results = this.kept.get(stage);
    if (!results) {
      results = new Map();
      this.kept.set(stage, results);
    }
    if (results.has(key)) {
      const value = results.get(key) as T;
      results.delete(key);
      results.set(key, value);
      return value;
    }
    const value = compute();
    results.set(key, value);
    if (results.size > this.perStage) results.delete(results.keys().next().value as string);
    return value;
  }
}

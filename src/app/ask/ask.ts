/**
 * Questions to the workers. Each is keyed by all that its answer hangs on: the job and what it is handed. What was
 * answered last stays on the screen until the next answer is there; what is no longer asked for is forgotten.
 */
import { hashKey, keepPreviousData, QueryClient, type QueryKey, useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useState } from 'react';
import type { CoreClient, Input, JobName, Output } from '../../workers/client.ts';

export const queries = new QueryClient({
  defaultOptions: { queries: { networkMode: 'always', refetchOnWindowFocus: false, refetchOnReconnect: false } },
});

export interface Answer<T> {
  readonly value: T;
  /** Of what is asked now, not of what was asked before. */
  readonly isCurrent: boolean;
}

export interface Asked<T> {
  readonly answer: Answer<T> | undefined;
  /** A sentence where it can't be answered. */
  readonly why: string | undefined;
}

/** Records that don't change are put into words once, however often, and in whatever, they are asked with. */
const hashes = new WeakMap<object, string>();
const hashOf = (key: QueryKey): string => key.map(partHash).join(' ');

function partHash(part: unknown): string {
  if (typeof part !== 'object' || part === null || Array.isArray(part)) return hashKey([part]);
  const known = hashes.get(part);
  if (known !== undefined) return known;
  const of = part as Readonly<Record<string, unknown>>;
  // What is asked of inputs is made anew each time, the inputs are not.
  const hash =
    'inputs' in of
      ? Object.keys(of)
          .sort()
          .map((k) => `${k}:${partHash(of[k])}`)
          .join()
      : hashKey([part]);
  hashes.set(part, hash);
  return hash;
}

/** A newer question of the same kind took its place: no failure, it is asked again if it is still wanted. */
class Overtaken extends Error {}

/** Large answers that a question hangs on are told apart by which they are, not by what is in them. */
const serials = new WeakMap<object, number>();
let lastSerial = 0;
export function serialOf(answer: object): number {
  const serial = serials.get(answer) ?? ++lastSerial;
  serials.set(answer, serial);
  return serial;
}

/**
 * @param input undefined while nothing is to be asked
 * @param key in place of the input, where that is too large to be one
 */
export function useAsk<N extends JobName>(
  client: CoreClient,
  job: N,
  input: Input<N> | undefined,
  key: unknown = input,
): Asked<Output<N>> {
  const { data, error, isPlaceholderData, isFetching } = useQuery({
    queryKey: [job, key],
    queryKeyHashFn: hashOf,
    enabled: input !== undefined,
    queryFn: async () => {
      const outcome = await client.call(job, input as Input<N>);
      if (outcome.state === 'done') return outcome.value;
      throw outcome.state === 'stale' ? new Overtaken() : new Error(outcome.message);
    },
    retry: (count, why) => why instanceof Overtaken && count < 5,
    retryDelay: 0,
    placeholderData: keepPreviousData,
    // Answers are plain values that don't age; they are large, so none is kept that nobody looks at.
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 0,
    structuralSharing: false,
  });
  const why = error && !isFetching && !(error instanceof Overtaken) ? error.message : undefined;
  const answer = useAnswer(data as Output<N> | undefined, !isPlaceholderData && input !== undefined);
  return { answer, why };
}

/** The same object as long as it says the same. */
export function useAnswer<T>(value: T | undefined, isCurrent: boolean): Answer<T> | undefined {
  return useMemo(() => (value === undefined ? undefined : { value, isCurrent }), [value, isCurrent]);
}

/** A value once it has not changed for a while; undefined until then. */
export function useResting<T>(value: T, afterMs: number): T | undefined {
  const [resting, setResting] = useState<T>();
  useEffect(() => {
    const timer = setTimeout(() => setResting(value), afterMs);
    return () => clearTimeout(timer);
  }, [value, afterMs]);
  return resting;
}

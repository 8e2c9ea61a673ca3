/** Fields from a table: what an entry of a record is called, how it is written, and how its change is told. */

import { NumberField, SelectField, TextField } from './field.tsx';
import { numberIn } from './number-in.ts';
import { told } from './telling.tsx';

/** The same for every record, or read off it. */
type ReadOff<R, T> = T | ((record: R) => T);

interface Shared<R, K extends keyof R> {
  readonly key: K;
  readonly label: ReadOff<R, string>;
  readonly testId?: string;
  /** For names and options of several words. */
  readonly wide?: boolean;
  /** Shown only where it has a meaning. */
  readonly when?: (record: R) => boolean;
  /** What stands under it. */
  readonly beside?: ReadOff<R, React.ReactNode>;
  /** The change as her history tells it. */
  readonly words?: (value: R[K], record: R) => string;
  /** What changes with it. */
  readonly also?: (value: R[K], record: R) => Partial<R>;
}

/** May be left empty: then it is undefined, and this stands in its place. */
interface MayBeNone {
  readonly orNone?: string;
}

type FieldOf<R, K extends keyof R> =
  | (Shared<R, K> & {
      readonly kind: 'number' /** Kept as a share, written in %. */;
      readonly percent?: true;
    } & MayBeNone)
  | (Shared<R, K> & {
      readonly kind: 'text';
      readonly placeholder?: ReadOff<R, string>;
      /** Days and hours have the browser’s own picker. */
      readonly input?: 'date' | 'time';
    } & MayBeNone)
  | (Shared<R, K> & { readonly kind: 'choice'; readonly options: ReadOff<R, ReadonlyArray<readonly [R[K], string]>> });

/** One line of a table of fields, for any entry of the record. */
export type FieldEntry<R> = { [K in keyof R]-?: FieldOf<R, K> }[keyof R];

/** Takes a change over, or says why not. */
export type TakeChange<R> = (change: Partial<R>, words?: string) => string | undefined;

export function Fields<R extends object>(props: {
  readonly record: R;
  readonly of: ReadonlyArray<FieldEntry<R>>;
  readonly set: TakeChange<R>;
}) {
  const { record, set } = props;
  return props.of.map((field) => {
    const shown = field.when?.(record) ?? true;
    return shown && <OneField key={String(field.key)} field={field as FieldOf<R, keyof R>} record={record} set={set} />;
  });
}

function OneField<R extends object, K extends keyof R>(props: {
  readonly field: FieldOf<R, K>;
  readonly record: R;
  readonly set: TakeChange<R>;
}) {
  const { field, record, set } = props;
  const value = record[field.key];
  const take = (v: R[K]) =>
    set({ [field.key]: v, ...field.also?.(v, record) } as unknown as Partial<R>, field.words?.(v, record));
  const beside = readOff(field.beside, record);
  const shared = { label: readOff(field.label, record), testId: field.testId, wide: field.wide };
  switch (field.kind) {
    case 'number': {
      if (field.orNone !== undefined)
        return (
          <TextField
            {...shared}
            numeric
            value={value === undefined ? '' : String(value)}
            placeholder={field.orNone}
            beside={beside}
            onCommit={(text) => {
              if (text.trim() === '') return take(undefined as R[K]);
              const number = numberIn(text);
              return typeof number === 'string' ? number : take(number as R[K]);
            }}
          />
        );
      const times = field.percent ? 100 : 1;
      const shown = field.percent ? Math.round(100 * Number(value)) : Number(value);
      return <NumberField {...shared} value={shown} beside={beside} onCommit={(v) => take((v / times) as R[K])} />;
    }
    case 'text':
      return (
        <TextField
          {...shared}
          value={String(value ?? '')}
          type={field.input}
          placeholder={field.orNone ?? readOff(field.placeholder, record)}
          beside={beside}
          onCommit={(text) =>
            take((field.orNone !== undefined && text.trim() === '' ? undefined : text.trim()) as R[K])
          }
        />
      );
    case 'choice': {
      const options = readOff(field.options, record);
      return (
        <>
          <SelectField
            {...shared}
            value={written(value)}
            options={options.map(([v, name]) => [written(v), name] as const)}
            onChange={(chosen) => {
              const option = options.find(([v]) => written(v) === chosen);
              if (option) take(option[0]);
            }}
          />
          {beside && <p className="note">{told(beside)}</p>}
        </>
      );
    }
  }
}

/** What stands for a choice in the page: nothing chosen is an empty word. */
const written = (value: unknown) => (value === undefined ? '' : String(value));

function readOff<R, T>(it: ReadOff<R, T>, record: R): T {
  return typeof it === 'function' ? (it as (record: R) => T)(record) : it;
}

/** Yes or no, as two words of her own. */
export const yesNo = (yes = 'yes', no = 'no') =>
  [
    [true, yes],
    [false, no],
  ] as const;

/** Choices by their names. */
export const named = <T extends string>(values: readonly T[], nameOf: (value: T) => string) =>
  values.map((v) => [v, nameOf(v)] as const);

/** A line to write in: what is typed stays as typed, is taken over when she leaves it, and refused with a sentence. */
import { useEffect, useId, useState } from 'react';
import { numberIn } from './number-in.ts';

export function useDraft(value: string, onCommit: (text: string) => string | undefined) {
  const [draft, setDraft] = useState<string>();
  const [why, setWhy] = useState<string>();
  // biome-ignore lint/correctness/useExhaustiveDependencies: a value that changed elsewhere replaces the draft
  useEffect(() => {
    setDraft(undefined);
    setWhy(undefined);
  }, [value]);
  const forget = () => {
    setDraft(undefined);
    setWhy(undefined);
  };
  const commit = () => {
    if (draft === undefined || draft === value) return forget();
    const refusal = onCommit(draft);
    setWhy(refusal);
    if (refusal === undefined) setDraft(undefined);
  };
  return {
    why,
    input: {
      value: draft ?? value,
      'aria-invalid': why !== undefined,
      onChange: (e: React.ChangeEvent<HTMLInputElement>) => setDraft(e.target.value),
      onBlur: commit,
      onKeyDown: (e: React.KeyboardEvent) => {
        if (e.key === 'Enter') commit();
        if (e.key === 'Escape') forget();
      },
    },
  };
}

export function TextField(props: {
  readonly label: string;
  readonly value: string;
  /** Takes it, or says why not. */
  readonly onCommit: (text: string) => string | undefined;
  readonly placeholder?: string | undefined;
  readonly beside?: React.ReactNode;
  readonly numeric?: boolean;
  /** For names: more room to write in than to be named by. */
  readonly wide?: boolean | undefined;
  readonly onFocus?: () => void;
  readonly testId?: string | undefined;
  /** Days and hours have the browser’s own picker beside the keys. */
  readonly type?: 'date' | 'time' | undefined;
}) {
  const id = useId();
  const { why, input } = useDraft(props.value, props.onCommit);
  return (
    <div className={`field ${props.wide ? 'wide' : ''}`}>
      <label htmlFor={id}>{props.label}</label>
      <input
        id={id}
        type={props.type}
        className="entry text-right"
        data-testid={props.testId}
        inputMode={props.numeric ? 'decimal' : undefined}
        autoComplete="off"
        placeholder={props.placeholder}
        aria-describedby={why !== undefined || props.beside ? `${id}-beside` : undefined}
        onFocus={props.onFocus}
        {...input}
      />
      {(why !== undefined || props.beside) && (
        <div id={`${id}-beside`} className="beside note col-span-full pb-1">
          {why !== undefined ? (
            <span role="alert" className="text-madder">
              {why} Nothing was changed.
            </span>
          ) : (
            props.beside
          )}
        </div>
      )}
    </div>
  );
}

/** A number; a comma is as good as a point. */
export function NumberField(props: {
  readonly label: string;
  readonly value: number;
  readonly onCommit: (value: number) => string | undefined;
  readonly beside?: React.ReactNode;
  readonly testId?: string | undefined;
  readonly wide?: boolean | undefined;
}) {
  return (
    <TextField
      label={props.label}
      wide={props.wide}
      value={String(props.value)}
      numeric
      beside={props.beside}
      testId={props.testId}
      onCommit={(text) => {
        const value = numberIn(text);
        return typeof value === 'string' ? value : props.onCommit(value);
      }}
    />
  );
}

export function SelectField<T extends string>(props: {
  readonly label: string;
  readonly value: T;
  readonly options: ReadonlyArray<readonly [T, string]>;
  readonly onChange: (value: T) => void;
  readonly testId?: string | undefined;
  /** For options of several words. */
  readonly wide?: boolean | undefined;
}) {
  const id = useId();
  return (
    <div className={`field ${props.wide ? 'wide' : ''}`}>
      <label htmlFor={id}>{props.label}</label>
      <select
        id={id}
        className="entry bg-ground"
        data-testid={props.testId}
        value={props.value}
        onChange={(e) => props.onChange(e.target.value as T)}
      >
        {props.options.map(([value, name]) => (
          <option key={value} value={value}>
            {name}
          </option>
        ))}
      </select>
    </div>
  );
}

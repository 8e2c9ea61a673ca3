/** A bench in parts: words in a line, the one that is open underlined. */

import { Tabs as Radix } from 'radix-ui';
import { told } from './telling.tsx';

export interface Part {
  readonly id: string;
  readonly name: string;
  readonly content: React.ReactNode;
}

export function Parts(props: {
  readonly label: string;
  readonly open: string;
  readonly onOpen: (id: string) => void;
  readonly parts: readonly Part[];
}) {
  return (
    <Radix.Root value={props.open} onValueChange={props.onOpen}>
      <Radix.List
        className="one-of -mx-1.25 mt-1 flex flex-wrap gap-x-0.5 border-b border-hair2"
        aria-label={props.label}
      >
        {props.parts.map((p) => (
          <Radix.Trigger
            key={p.id}
            value={p.id}
            data-part={p.id}
            className="edge min-h-11 min-w-11 whitespace-nowrap px-1.25 text-ink2"
          >
            <span>{p.name}</span>
          </Radix.Trigger>
        ))}
      </Radix.List>
      {props.parts.map((p) => (
        <Radix.Content key={p.id} value={p.id} className="pt-3" tabIndex={-1}>
          {p.content}
        </Radix.Content>
      ))}
    </Radix.Root>
  );
}

/** A figure with its name, in a list of them. */
export function Figure(props: { readonly name: React.ReactNode; readonly children: React.ReactNode }) {
  return (
    <div className="line flex items-baseline justify-between gap-3 py-1.5">
      <dt>{told(props.name)}</dt>
      <dd className="fig shrink-0 text-right text-lead">{props.children}</dd>
    </div>
  );
}

/** A tool that stays in the hand until it is put back. */
export function ToolButton(props: {
  readonly held: boolean;
  readonly onPress: () => void;
  readonly testId?: string;
  readonly children: React.ReactNode;
}) {
  return (
    <button
      type="button"
      className="button tool"
      aria-pressed={props.held}
      data-testid={props.testId}
      onClick={props.onPress}
    >
      {props.children}
    </button>
  );
}

/** One of a few words; the one in force is underlined. */
export function OneOf<T extends string>(props: {
  readonly label: string;
  readonly value: T;
  readonly options: ReadonlyArray<readonly [T, string]>;
  readonly onChange: (value: T) => void;
  readonly testId: string;
}) {
  return (
    <fieldset className="one-of flex gap-3.5 border-b border-hair2" aria-label={props.label}>
      {props.options.map(([value, name]) => (
        <button
          key={value}
          type="button"
          className="edge min-h-11 min-w-11 text-ink2 hover:underline"
          aria-pressed={props.value === value}
          data-testid={`${props.testId}-${value}`}
          onClick={() => props.onChange(value)}
        >
          <span>{name}</span>
        </button>
      ))}
    </fieldset>
  );
}

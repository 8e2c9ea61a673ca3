/** One of several, each with its reason; or some of several. */
import { Checkbox, RadioGroup } from 'radix-ui';

export function Choice<T extends string>(props: {
  readonly label: string;
  readonly value: T;
  readonly options: ReadonlyArray<{ readonly value: T; readonly name: string; readonly reason?: string }>;
  readonly onChange: (value: T) => void;
}) {
  return (
    <RadioGroup.Root value={props.value} onValueChange={(v) => props.onChange(v as T)} aria-label={props.label}>
      {props.options.map((o) => (
        <RadioGroup.Item key={o.value} value={o.value} className="choice" data-choice={o.value}>
          <span className="dot" aria-hidden="true" />
          <span>
            <b>{o.name}</b>
            {o.reason && <span className="note block">{o.reason}</span>}
          </span>
        </RadioGroup.Item>
      ))}
    </RadioGroup.Root>
  );
}

export function Several<T extends string>(props: {
  readonly label: string;
  readonly values: readonly T[];
  readonly options: ReadonlyArray<readonly [T, string]>;
  readonly onChange: (values: T[]) => void;
}) {
  return (
    <fieldset>
      <legend className="pt-2 font-strong">{props.label}</legend>
      <div className="grid grid-cols-2 gap-x-4">
        {props.options.map(([value, name]) => {
          const on = props.values.includes(value);
          return (
            <Checkbox.Root
              key={value}
              checked={on}
              className="choice"
              onCheckedChange={() =>
                props.onChange(on ? props.values.filter((v) => v !== value) : [...props.values, value])
              }
            >
              <span className="dot" aria-hidden="true" />
              <b>{name}</b>
            </Checkbox.Root>
          );
        })}
      </div>
    </fieldset>
  );
}

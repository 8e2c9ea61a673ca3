/** Figures in a table: what each line is called, then what it comes to. */
import { Telling, told } from './telling.tsx';

export interface LedgerLine {
  readonly key: string;
  readonly name: React.ReactNode;
  readonly cells: readonly React.ReactNode[];
}

export function Ledger(props: {
  readonly caption: React.ReactNode;
  /** Said only, where a heading above says it already. */
  readonly captionSaid?: boolean;
  /** Heads of the columns, where they need one: of the names first. */
  readonly heads?: readonly string[];
  readonly lines: readonly LedgerLine[];
  readonly testId?: string;
  /** Figures that are looked at, not looked up. */
  readonly large?: boolean;
}) {
  return (
    <table className={`mt-2 w-full ${props.large ? 'text-small' : 'text-note'}`} data-testid={props.testId}>
      <caption className={props.captionSaid ? 'sr-only' : 'note pb-1 text-left'}>{told(props.caption)}</caption>
      {props.heads && (
        <thead className="text-ink2">
          <tr>
            {props.heads.map((head, i) => (
              <th key={head} scope="col" className={`font-normal ${i === 0 ? 'text-left' : 'text-right'}`}>
                <Telling text={head} />
              </th>
            ))}
          </tr>
        </thead>
      )}
      <tbody>
        {props.lines.map(({ key, name, cells }) => (
          <tr key={key} className="line">
            <th scope="row" className="py-1.25 text-left font-normal">
              {told(name)}
            </th>
            {cells.map((cell, i) => (
              <td key={i} className={`text-right ${props.large ? 'fig whitespace-nowrap text-lead' : ''}`}>
                {cell}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** What a figure was and what it is; the same is told once, and quietly. */
export function WasNow({ was, now }: { readonly was: string; readonly now: string }) {
  if (was === now) return <span className="font-normal text-ink2">{now}</span>;
  return (
    <>
      <span className="font-normal text-ink2">{was} → </span>
      {now}
    </>
  );
}

/** What shows by side, and what hides the knots. */
import { LINE_INFO, SIDES, type Side } from '../../../core/cover/index.ts';
import type { Look } from '../../../core/plan/index.ts';
import { upperFirst } from '../../../core/trade/index.ts';
import { percent } from '../../ui/format.ts';
import { Figure } from '../../ui/tabs.tsx';

const SIDE_WORDS: Readonly<Record<Side, string>> = {
  top: 'top',
  front: 'front',
  left: 'left',
  right: 'right',
  behind: 'behind',
};

/** Share that shows from each side; where she moved or it aged, the share at rest beside it. */
export function SeenBySide({ look, rest }: { readonly look: Look; readonly rest: Look | undefined }) {
  return (
    <table className="mt-3 w-full text-small" data-testid="seen">
      <caption className="sr-only">Scalp that shows, seen from each side</caption>
      <tbody>
        {[...SIDES]
          .sort((a, b) => look.seen[b] - look.seen[a])
          .map((side) => (
            <tr key={side} className="line">
              <th scope="row" className="w-16 py-1.25 text-left font-normal">
                {SIDE_WORDS[side]}
              </th>
              <td className="w-full px-2">
                <Bar now={look.seen[side]} was={rest?.seen[side]} />
              </td>
              <td className="fig whitespace-nowrap text-right text-lead">
                {rest && Math.round(100 * rest.seen[side]) !== Math.round(100 * look.seen[side]) && (
                  <span className="font-normal text-ink2">{Math.round(100 * rest.seen[side])} → </span>
                )}
                {percent(look.seen[side])}
              </td>
            </tr>
          ))}
      </tbody>
    </table>
  );
}

/** On one scale, the same for every plan: a whole bar is all of it. */
function Bar({ now, was }: { readonly now: number; readonly was: number | undefined }) {
  const at = (v: number) => `${100 * v}%`;
  return (
    <svg width="100%" height="10" aria-hidden="true" className="overflow-hidden">
      <line x1="0" x2="100%" y1="5" y2="5" stroke="var(--hair)" strokeWidth="2" />
      {was !== undefined && was > now && (
        <line x1={at(now)} x2={at(was)} y1="5" y2="5" stroke="var(--brass)" strokeWidth="2.4" strokeDasharray="2 3" />
      )}
      <line x1="0" x2={at(now)} y1="5" y2="5" stroke="var(--brass)" strokeWidth="5" />
      <line x1="0" x2={at(now)} y1="8.4" y2="8.4" stroke="var(--ink)" strokeWidth="1" />
    </svg>
  );
}

const HIDER_WORDS = {
  hair: 'under hair of rows above',
  ownHair: 'by your own hair laid over',
  swept: 'by hair swept over the line',
  spring: 'by hair that springs',
  ownLeg: 'by their own free leg',
  backcomb: 'by a back-combed root',
  nothing: 'seen',
} as const;

export function HiddenBy({ look }: { readonly look: Look }) {
  const of = (by: keyof typeof HIDER_WORDS) => look.knots.filter((k) => k.by === by).length;
  const kinds = (Object.keys(HIDER_WORDS) as Array<keyof typeof HIDER_WORDS>).filter((by) => of(by) > 0);
  return (
    <>
      <h3 className="mt-6 text-title">What hides the knots</h3>
      <dl className="mt-2 text-small" data-testid="hidden-by">
        {kinds.map((by) => (
          <Figure key={by} name={upperFirst(HIDER_WORDS[by])}>
            {of(by)}
          </Figure>
        ))}
      </dl>
      <h3 className="mt-6 text-title">Lines that give it away</h3>
      <dl className="mt-2 text-small" data-testid="lines">
        {look.lines.map((l) => (
          <Figure
            key={l.kind}
            name={
              <>
                {LINE_INFO[l.kind].name}
                {l.shows > LINE_SHOWS && <span className="note block">{LINE_INFO[l.kind].hides}</span>}
              </>
            }
          >
            {percent(l.shows)}
          </Figure>
        ))}
      </dl>
    </>
  );
}

/** A line of which less shows needs nothing. */
const LINE_SHOWS = 0.25;

/** The first trade word of a sentence opens into what it means, with a small drawing. */
import { Popover } from 'radix-ui';
import { TERM_PATTERN, type Term, termOf } from '../../core/trade/index.ts';

export function WithTerm({ text }: { readonly text: string }) {
  const found = TERM_PATTERN.exec(text);
  const term = found && termOf(found[0]);
  if (!found || !term) return text;
  const from = found.index;
  return (
    <>
      {text.slice(0, from)}
      <Opens word={found[0]} term={term} />
      {text.slice(from + found[0].length)}
    </>
  );
}

function Opens({ word, term }: { readonly word: string; readonly term: Term }) {
  return (
    <Popover.Root>
      <Popover.Trigger className="term" data-term={term.words[0]}>
        {word}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          aria-label={term.words[0]}
          className="panel z-50 flex w-80 items-center gap-4 p-4 text-small"
          sideOffset={6}
          collisionPadding={16}
        >
          <svg
            width="64"
            height="40"
            viewBox="0 0 64 40"
            className="flex-none"
            fill="none"
            strokeLinecap="round"
            aria-hidden="true"
          >
            <path d={term.hair} stroke="var(--lock)" strokeWidth="3" />
            {term.holds && <path d={term.holds} stroke="var(--brass)" strokeWidth="4" />}
          </svg>
          <p>{term.means}</p>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

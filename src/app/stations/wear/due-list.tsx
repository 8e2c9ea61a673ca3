/** What is due, soonest first, and what it is done by. */
import { daysFrom } from '../../../core/time/index.ts';
import { DONE_BY, type Due, dryingHours, nextDue, type Wet, type Worn, wetOn } from '../../../core/wear/index.ts';
import { countOf, weekday } from '../../ui/format.ts';
import type { Wear } from './use-wear.ts';
import { careWords } from './wear-words.ts';

export function DueList(props: {
  readonly worn: Worn & Wet;
  readonly wear: Wear;
  readonly first: string;
  readonly today: string;
}) {
  const { worn, wear, first, today } = props;
  const notes = wear.notes ?? [];
  const wet = wetOn(notes, today);
  return (
    <section className="mt-5" aria-label="What is due">
      <h3 className="text-title">Due</h3>
      <ul className="mt-1" data-testid="due">
        {nextDue(worn, notes, first, today).map((due) => (
          <li key={due.care} className="line flex items-center justify-between gap-3 py-1.5" data-care={due.care}>
            <span>
              <span className={due.day <= today ? 'font-strong' : ''}>{careWords(worn)[due.care]}</span>
              <span className="note block">
                {whenWords(due, today)}: {due.why}
                {due.care === 'dry' ? `. ${dryWords(worn, wet)}` : ''}
              </span>
            </span>
            <Done due={due} today={today} onDone={(what) => wear.add({ day: today, what })} />
          </li>
        ))}
      </ul>
    </section>
  );
}

function Done(props: {
  readonly due: Due;
  readonly today: string;
  readonly onDone: (what: NonNullable<(typeof DONE_BY)[Due['care']]>) => void;
}) {
  const what = DONE_BY[props.due.care];
  if (!what || props.due.day > props.today) return null;
  return (
    <button type="button" className="word" data-testid={`done-${props.due.care}`} onClick={() => props.onDone(what)}>
      done
    </button>
  );
}

function whenWords({ day, care }: Due, today: string): string {
  const days = daysFrom(today, day);
  if (days === 0 || care === 'night' || care === 'dry') return 'Today';
  if (days === 1) return 'Tomorrow';
  return days < 0 ? `Since ${weekday(day)}` : weekday(day);
}

/** "About 4 to 10 h by themselves, 1½ to 4 with a dryer set to cool: a guess from the water they hold." */
function dryWords(wet: Wet, share: number): string {
  const { byItself, withDryer } = dryingHours(wet, share);
  const hours = ([low, high]: readonly [number, number]) => `${halves(low)} to ${halves(high)} h`;
  return `About ${hours(byItself)} by themselves, ${hours(withDryer)} with a dryer set to cool: a guess from the water that they hold. Don’t sleep on them damp.`;
}

/** To the half hour: nobody knows it better. */
const halves = (hours: number) => countOf(Math.max(0.5, Math.round(2 * hours) / 2));

/** Days on a thread: what lies behind her, today, and the day by which it comes off. */
import { RadioGroup } from 'radix-ui';
import { useEffect, useRef } from 'react';
import { daysFrom, daysLater, laterDay } from '../../../core/time/index.ts';
import { WEAR_INFO } from '../../../core/trade/index.ts';
import type { WearNote } from '../../../core/wear/index.ts';
import { weekday } from '../../ui/format.ts';
import './wear.css';

/** As many as are drawn; longer nothing is worn. */
const MOST_DAYS = 120;

interface Props {
  readonly first: string;
  readonly today: string;
  readonly off: string;
  readonly notes: readonly WearNote[];
  readonly chosen: string;
  readonly onChoose: (day: string) => void;
}

export function DayStrip(props: Props) {
  const { first, today, off, notes, chosen, onChoose } = props;
  const strip = useRef<HTMLDivElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: another day is another bead to bring into sight
  useEffect(() => {
    strip.current?.querySelector('[data-state=checked]')?.scrollIntoView({ block: 'nearest', inline: 'center' });
  }, [chosen]);
  return (
    <RadioGroup.Root
      ref={strip}
      className="day-strip"
      aria-label="Days"
      value={chosen}
      onValueChange={onChoose}
      data-testid="days"
    >
      {daysOf(first, laterDay(today, off)).map((day, i) => (
        <RadioGroup.Item
          key={day}
          value={day}
          className="day"
          // However short the key was pressed: the day that has the focus is the one that is looked at.
          onFocus={() => onChoose(day)}
          data-when={day === today ? 'today' : day < today ? 'past' : 'toCome'}
          data-off={day === off ? 'yes' : undefined}
          data-day={i}
          aria-label={nameOf(props, day, i)}
        >
          <span className="day-week">{weekday(day).slice(0, 2)}</span>
          <span className="day-bead" />
          <span className="fig day-number">{i}</span>
          <span className="day-marks">
            {marksOf(notes, day).map((mark) => (
              <i key={mark} data-mark={mark} />
            ))}
          </span>
        </RadioGroup.Item>
      ))}
    </RadioGroup.Root>
  );
}

const daysOf = (first: string, last: string) =>
  Array.from({ length: Math.min(MOST_DAYS, Math.max(0, daysFrom(first, last)) + 1) }, (_, i) => daysLater(first, i));

/** "Day 5, Sun, 25 October, today: washed, it itches". */
function nameOf({ notes, today, off }: Props, day: string, i: number): string {
  const noted = notes
    .filter((n) => n.day === day)
    .map((n) => (n.what === 'photo' ? 'a photo' : WEAR_INFO[n.what].name));
  return [
    `Day ${i}, ${weekday(day)}`,
    ...(day === today ? ['today'] : []),
    ...(day === off ? ['off by then'] : []),
    ...(noted.length > 0 ? [noted.join(', ')] : []),
  ].join('; ');
}

/** One of each group, so that a full day stays readable. */
const marksOf = (notes: readonly WearNote[], day: string) => [
  ...new Set(notes.filter((n) => n.day === day).map((n) => (n.what === 'photo' ? 'seen' : WEAR_INFO[n.what].group))),
];

/** Days of a worn style as a slider at the foot of the stage: the hair is as it should be by then. */
import { Slider } from 'radix-ui';
import { daysFrom, daysLater } from '../../core/time/index.ts';
import { useView } from '../view/view-store.ts';

/** Six weeks: nothing stays in longer. */
const LAST_DAY = 42;

export function WornDay() {
  const { wornDay, lookAtDay } = useView();
  if (!wornDay) return null;
  const { first, day } = wornDay;
  const at = Math.max(0, daysFrom(first, day));
  return (
    <div className="strip-part items-center gap-3">
      <span className="fig w-14 text-right" id="worn-day">
        day {at}
      </span>
      <Slider.Root
        className="relative flex h-11 w-40 cursor-ew-resize touch-none items-center max-tablet:w-24"
        min={0}
        max={Math.max(LAST_DAY, at)}
        step={1}
        value={[at]}
        onValueChange={([next]) => lookAtDay({ first, day: daysLater(first, next) })}
        data-testid="worn-day"
      >
        <Slider.Track className="relative h-0.5 flex-1 bg-hair">
          <Slider.Range className="absolute h-full bg-brass" />
        </Slider.Track>
        <Slider.Thumb
          className="block size-6 rounded-full border-2 border-brass bg-ground"
          aria-labelledby="worn-day"
          aria-valuetext={`day ${at}`}
        />
      </Slider.Root>
    </div>
  );
}

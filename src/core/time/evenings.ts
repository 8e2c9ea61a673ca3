/**
 * Work laid out over evenings: in its order, with breaks, nothing broken off that has to be done in one go. Minutes in, minutes
 * out; which days they are is said in `dates.ts`.
 */
import { LONGEST_EVENING } from '../trade/index.ts';

/** What is done without stopping, one of the parts of a step. */
export interface Task {
  readonly what: string;
  readonly minutes: number;
  /** Waiting after it, hands free; overnight it costs nothing. */
  readonly waitMinutes: number;
}

/** How an evening is spent. */
export interface EveningHabit {
  /** From sitting down to getting up, breaks and waits within it. */
  readonly minutes: number;
  /** Work after which hands and neck rest. */
  readonly breakEvery: number;
  readonly breakFor: number;
}

export interface Stretch {
  readonly what: string;
  readonly minutes: number;
}

export interface Evening {
  /** Parts of one step that follow each other are told as one. */
  readonly does: readonly Stretch[];
  readonly workMinutes: number;
  readonly breakMinutes: number;
  readonly waitMinutes: number;
}

/** Rounding of sums must not start an evening of its own, minutes. */
const SLACK = 0.5;

/**
 * Each evening takes what still fits. A part that is longer than an evening goes over several.
 * @param factor of her minutes over those told: slower or quicker @throws RangeError where an evening leaves no time to work
 */
export function overEvenings(tasks: readonly Task[], habit: EveningHabit, factor = 1): Evening[] {
  if (!(habit.minutes > 0) || !(habit.breakEvery > 0)) throw new RangeError('An evening has to leave time for work.');
  const evenings: OpenEvening[] = [];
  let evening: OpenEvening | undefined;
  const next = () => {
    evening = new OpenEvening(habit);
    evenings.push(evening);
    return evening;
  };
  for (const task of tasks) {
    let left = task.minutes * factor;
    while (left > 1e-9) {
      const tonight: OpenEvening = evening ?? next();
      const fits = tonight.room();
      if (left <= fits + SLACK) {
        tonight.work(task.what, left);
        left = 0;
      } else if (tonight.isEmpty) {
        tonight.work(task.what, fits);
        left -= fits;
        evening = undefined;
      } else evening = undefined;
    }
    // What sets sets overnight as well.
    if (task.waitMinutes > 0 && evening && !evening.wait(task.waitMinutes)) evening = undefined;
  }
  return evenings.map((e) => e.told());
}

/** Hours at the table from beginning to end: work, breaks and waits. */
export const spanOf = ({ workMinutes, breakMinutes, waitMinutes }: Evening) => workMinutes + breakMinutes + waitMinutes;

class OpenEvening {
  private readonly does: Array<{ what: string; minutes: number }> = [];
  private worked = 0;
  private rested = 0;
  private waited = 0;
  private sinceBreak = 0;

  constructor(private readonly habit: EveningHabit) {}

  get isEmpty() {
    return this.does.length === 0;
  }

  /** Minutes of work that still go in, with the breaks that they need. */
  room(): number {
    const { minutes, breakEvery, breakFor } = this.habit;
    let left = minutes - this.worked - this.rested - this.waited;
    let room = 0;
    for (let toBreak = breakEvery - this.sinceBreak; left > 0; toBreak = breakEvery) {
      const stretch = Math.min(left, toBreak);
      room += stretch;
      left -= stretch + breakFor;
    }
    return room;
  }

  work(what: string, minutes: number) {
    const { breakEvery, breakFor } = this.habit;
    const total = this.sinceBreak + minutes;
    // A break that would come after the last stroke is none.
    const breaks = Math.max(0, Math.ceil((total - SLACK) / breakEvery) - 1);
    this.rested += breaks * breakFor;
    this.sinceBreak = total - breaks * breakEvery;
    this.worked += minutes;
    const last = this.does.at(-1);
    if (last?.what === what) last.minutes += minutes;
    else this.does.push({ what, minutes });
  }

  /** A wait rests hands as well. @returns whether it still goes into the evening */
  wait(minutes: number): boolean {
    if (this.worked + this.rested + this.waited + minutes > this.habit.minutes + SLACK) return false;
    this.waited += minutes;
    this.sinceBreak = 0;
    return true;
  }

  told(): Evening {
    return {
      does: this.does,
      workMinutes: this.worked,
      breakMinutes: this.rested,
      waitMinutes: this.waited,
    };
  }
}

/** To this step evenings are lengthened, minutes. */
const STEP = 5;

/** Shortest evening with which the work is done in so many; undefined where no evening is long enough. */
export function eveningFor(
  tasks: readonly Task[],
  evenings: number,
  habit: EveningHabit,
  factor = 1,
): number | undefined {
  const does = (minutes: number) => overEvenings(tasks, { ...habit, minutes }, factor).length <= evenings;
  for (let minutes = STEP; minutes <= LONGEST_EVENING; minutes += STEP) if (does(minutes)) return minutes;
  return undefined;
}

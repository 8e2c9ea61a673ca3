/** Where a backup and this browser both changed the same thing, and what can be done about it. */

/** Both is offered where the other can stand beside this one. */
export type Choice = 'ours' | 'theirs' | 'both';

export interface Difference {
  readonly table: 'plans' | 'wearers' | 'log' | 'stash';
  readonly id: string;
  /** Another one where what is here has changed since. */
  readonly stamp: string;
  readonly name: string;
  /** In words, as it is here and as it is in the backup. */
  readonly ours: string;
  readonly theirs: string;
  readonly choices: readonly Choice[];
  /** Where she says nothing: nothing is lost by it. */
  readonly start: Choice;
}

/** What a choice is kept under. */
export const choiceKey = (d: Pick<Difference, 'table' | 'id'>) => `${d.table}/${d.id}`;

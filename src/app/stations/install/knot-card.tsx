import type { PlannedKnot } from '../../../core/knots/index.ts';
import { KnotTitle, WhereItGoes } from './knot-in-hand.tsx';
import type { MirrorSettings } from './mirror-settings.ts';
import { KnotMoves } from './moves.tsx';
import { RunTitle, RunTook, RunWhere } from './run-card.tsx';
import type { Counted } from './use-counted.ts';
import { type OnHead, WherePicture } from './where-picture.tsx';

export function KnotCard(
  props: OnHead & {
    readonly run: readonly PlannedKnot[];
    readonly settings: MirrorSettings;
    readonly forHelper: boolean;
    readonly counted: Counted;
    readonly paused: boolean;
    readonly onPause: () => void;
  },
) {
  const { plan, result, scene, isIn, run, settings, forHelper, counted, paused, onPause } = props;
  const [knot] = run;
  const { telling, mirrors, showsMoves } = settings;
  return (
    <>
      {telling === 'knot' ? (
        <KnotTitle {...{ plan, result, knot, paused, onPause }} />
      ) : (
        <RunTitle {...{ plan, result, run, paused, onPause }} isRow={telling === 'row'}>
          {counted.isCounted && <RunTook planned={run.length} took={counted.took} onTook={counted.setTook} />}
        </RunTitle>
      )}
      <div className={`grid gap-x-9 gap-y-4.5 ${showsMoves ? 'beside:grid-cols-beside beside:items-center' : ''}`}>
        {showsMoves && (
          <div className={telling === 'knot' ? '' : 'max-phone:hidden'}>
            <KnotMoves key={knot.id} knot={knot} />
          </div>
        )}
        <div className="flex flex-wrap items-center gap-x-8 gap-y-2.5 max-phone:flex-nowrap max-phone:gap-x-3 beside:flex-nowrap beside:gap-x-5 beside:*:min-w-0">
          <WherePicture {...{ plan, result, scene, isIn, knot, run, mirrors, forHelper }} />
          {telling === 'knot' ? (
            <WhereItGoes
              {...{ plan, knot, mirrors, forHelper }}
              isFirst={result.knots[result.rows[knot.row].firstKnot] === knot}
            />
          ) : (
            <RunWhere {...{ plan, result, run, forHelper }} />
          )}
        </div>
      </div>
    </>
  );
}

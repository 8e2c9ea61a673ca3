/** How it looks, from every side. */
import { meetsTheEye } from '../../../core/cover/contrast.ts';
import { POSE_NAMES, POSES } from '../../../core/fall/poses.ts';
import { AGE_INFO, AGES } from '../../../core/trade/ages.ts';
import type { CheckProps } from '../../ui/bench-props.ts';
import { SelectField } from '../../ui/field.tsx';
import { FindingNote } from '../../ui/finding-note.tsx';
import { percent } from '../../ui/format.ts';
import { ToolButton } from '../../ui/tabs.tsx';
import { PLAIN_CHECK, TURN_TOOL, useView } from '../../view/view-store.ts';
import { HiddenBy, SeenBySide } from './seen.tsx';
import { WhyHere } from './why.tsx';

export function LookTab({ session, result, checked }: CheckProps) {
  const { lookAs, findings } = checked;
  const look = checked.looked?.value;
  const view = useView((v) => v.check);
  const setCheck = useView((v) => v.setCheck);
  const tool = useView((v) => v.tool);
  const hold = useView((v) => v.hold);
  const { plan } = session;
  if (!result) return null;
  return (
    <>
      <h2>Before any hair is bought</h2>
      <fieldset className="one-of flex gap-3.5 border-b border-hair2" aria-label="What is drawn">
        {(['hair', 'cover', 'plain'] as const).map((p) => (
          <button
            key={p}
            type="button"
            className="edge min-h-11 min-w-11 text-ink2 hover:underline"
            aria-pressed={view.picture === p}
            data-testid={`picture-${p}`}
            onClick={() => setCheck({ picture: p })}
          >
            <span>{{ hair: 'Hair', cover: 'Where light comes through', plain: 'Rows' }[p]}</span>
          </button>
        ))}
      </fieldset>
      {lookAs && <SeenBySide look={lookAs} rest={look} />}
      <WhyHere session={session} result={result} look={look} />
      <div className="mt-3">
        <SelectField
          label="Head"
          wide
          value={view.pose}
          testId="pose"
          options={POSE_NAMES.map((p) => [p, POSES[p].name] as const)}
          onChange={(pose) => setCheck({ pose })}
        />
        <SelectField
          label="When"
          wide
          value={view.age}
          testId="age"
          options={AGES.map((a) => [a, AGE_INFO[a].name] as const)}
          onChange={(age) => setCheck({ age })}
        />
        <p className="note mt-1">{AGE_INFO[view.age].words}</p>
        <SelectField
          label="How far"
          wide
          value={view.soFar ? 'soFar' : 'all'}
          testId="so-far"
          options={[
            ['all', 'all of it'],
            ['soFar', 'up to the bead'],
          ]}
          onChange={(v) => setCheck({ soFar: v === 'soFar' })}
        />
        {view.soFar && (
          <p className="note mt-1">
            Half-done it looks bald: that is how it is meant to look then. Move the bead on the cloth and it grows.
          </p>
        )}
        <SelectField
          label="Over"
          wide
          value={view.onBlock ? 'block' : 'head'}
          testId="ground"
          options={[
            ['head', 'your head'],
            ['block', 'a white block'],
          ]}
          onChange={(v) => setCheck({ onBlock: v === 'block' })}
        />
        {lookAs && (
          <p className="note mt-1">
            From above {percent(lookAs.seen.top)} shows. Over{' '}
            {plan.cap.dome === 'none' ? 'your own hair' : 'a dark cap'} about{' '}
            {percent(meetsTheEye(lookAs.seen.top, lookAs.ground.hair, lookAs.ground.worn))} of it meets the eye, over a
            white block {percent(meetsTheEye(lookAs.seen.top, lookAs.ground.hair, lookAs.ground.block))}.
          </p>
        )}
      </div>
      <div className="mt-3 grid gap-2">
        <ToolButton
          held={tool.kind === 'finger'}
          testId="finger"
          onPress={() => hold(tool.kind === 'finger' ? TURN_TOOL : { kind: 'finger' })}
        >
          Part it with a finger
        </ToolButton>
        {look?.patches[0] && !view.finger && (
          <button
            type="button"
            className="button"
            data-testid="finger-worst"
            onClick={() => setCheck({ finger: fingerThrough(look.patches[0].atMm) })}
          >
            Part it at the thinnest place
          </button>
        )}
        {view.finger && (
          <button
            type="button"
            className="button"
            data-testid="finger-away"
            onClick={() => setCheck({ finger: undefined })}
          >
            Let it fall back
          </button>
        )}
        {(view.pose !== 'rest' || view.age !== 'finished' || view.soFar || view.onBlock) && (
          <button
            type="button"
            className="word text-note"
            onClick={() => setCheck({ ...PLAIN_CHECK, picture: view.picture, whyAt: view.whyAt })}
          >
            Back to at rest and finished
          </button>
        )}
      </div>
      {look && <HiddenBy look={look} />}
      <h3 className="mt-6 text-title">What was found</h3>
      {findings.length === 0 && (
        <p className="mt-3">Nothing speaks against this plan. Hook two pieces and look before you buy the rest.</p>
      )}
      {findings.map((f) => (
        <FindingNote key={f.code} finding={f} more={0} session={session} />
      ))}
    </>
  );
}

/** A finger's length up and down through a place, mm. */
const FINGER_LENGTH_MM = 70;

function fingerThrough([x, y, z]: readonly [number, number, number]): number[] {
  const l = Math.sqrt(x * x + y * y + z * z);
  // Along the head, up and down where that has a meaning, to the back on top.
  const steep = Math.abs(y / l) > 0.9;
  const up = steep ? [0, 0, 1] : [(-x * y) / (l * l), 1 - (y * y) / (l * l), (-z * y) / (l * l)];
  return [-0.5, 0, 0.5].flatMap((s) => {
    const p = [x + s * FINGER_LENGTH_MM * up[0], y + s * FINGER_LENGTH_MM * up[1], z + s * FINGER_LENGTH_MM * up[2]];
    const pl = Math.sqrt(p[0] ** 2 + p[1] ** 2 + p[2] ** 2);
    return p.map((c) => (c * l) / pl);
  });
}

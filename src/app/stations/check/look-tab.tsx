/** How it looks, from every side. */
import { meetsTheEye } from '../../../core/cover/index.ts';
import { isTied, POSE_NAMES, POSES, WORN_AS_INFO, waysToWear } from '../../../core/fall/index.ts';
import type { Look } from '../../../core/plan/index.ts';
import { AGE_INFO, AGES } from '../../../core/trade/index.ts';
import type { CheckProps } from '../../ui/bench-props.ts';
import { SelectField } from '../../ui/field.tsx';
import { type FieldEntry, Fields, named } from '../../ui/fields.tsx';
import { FindingNote } from '../../ui/finding-note.tsx';
import { percent } from '../../ui/format.ts';
import { ToolButton } from '../../ui/tabs.tsx';
import { useWornAs } from '../../view/room.ts';
import { type CheckView, PLAIN_CHECK, TURN_TOOL, useView } from '../../view/view-store.ts';
import { HiddenBy, SeenBySide } from './seen.tsx';
import { WhyHere } from './why.tsx';

export function LookTab({ session, result, checked }: CheckProps) {
  const { lookAs, findings } = checked;
  const look = checked.looked?.value;
  const view = useView((v) => v.check);
  const [wornAs, wear] = useWornAs(session.plan.base.family);
  if (!result) return null;
  return (
    <>
      <h2>Before any hair is bought</h2>
      {lookAs && <SeenBySide look={lookAs} rest={look} />}
      <WhyHere session={session} result={result} look={look} />
      <div className="mt-3">
        <SelectField
          label="Worn"
          wide
          testId="worn-as"
          value={wornAs}
          options={waysToWear(session.plan.base.family).map((w) => [w, WORN_AS_INFO[w]] as const)}
          onChange={wear}
        />
        {isTied(wornAs) && <Tied tooShort={checked.hair?.tooShortToTie} />}
        <Fields
          record={{
            ...view,
            hasSecond: session.plan.part.kind === 'line' && session.plan.parting.second !== undefined,
          }}
          of={LOOKED_AT}
          set={({ hasSecond: _, ...change }) => setView(change)}
        />
        {lookAs && (
          <MeetsTheEye look={lookAs} over={session.plan.cap.dome === 'none' ? 'your own hair' : 'a dark cap'} />
        )}
      </div>
      <Finger thinnestMm={look?.patches[0]?.atMm} />
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

/** What a tie does not hold, and what it pulls at. */
function Tied({ tooShort }: { readonly tooShort: number | undefined }) {
  const stay =
    tooShort === 1
      ? '1 piece is too short to reach the tie and stays'
      : `${tooShort} pieces are too short to reach the tie and stay`;
  return (
    <p className="note py-2" data-testid="tied">
      {tooShort ? `${stay} as ${tooShort === 1 ? 'it falls' : 'they fall'}. ` : ''}
      In a tie all of the hair pulls at the rows of the edge: tie it loosely, and let it down when the edge aches.
    </p>
  );
}

const setView = (change: Partial<CheckView>) => {
  useView.getState().setCheck(change);
  return undefined;
};

const LOOKED_AT: ReadonlyArray<FieldEntry<CheckView & { readonly hasSecond: boolean }>> = [
  {
    key: 'pose',
    kind: 'choice',
    label: 'Head',
    wide: true,
    testId: 'pose',
    // Flipped only where there is a second part to flip to.
    options: ({ hasSecond, pose }) =>
      named(
        POSE_NAMES.filter((p) => p !== 'flipped' || hasSecond || pose === 'flipped'),
        (p) => POSES[p].name,
      ),
  },
  {
    key: 'age',
    kind: 'choice',
    label: 'When',
    wide: true,
    testId: 'age',
    options: named(AGES, (a) => AGE_INFO[a].name),
    beside: ({ age }) => AGE_INFO[age].words,
  },
  {
    key: 'soFar',
    kind: 'choice',
    label: 'How far',
    wide: true,
    testId: 'so-far',
    options: [
      [false, 'all of it'],
      [true, 'up to the bead'],
    ],
    beside: ({ soFar }) =>
      soFar &&
      'Half-done it looks bald: that is how it is meant to look then. Move the bead on the cloth and it grows.',
  },
  {
    key: 'onBlock',
    kind: 'choice',
    label: 'Over',
    wide: true,
    testId: 'ground',
    options: [
      [false, 'your head'],
      [true, 'a white block'],
    ],
  },
];

function MeetsTheEye({ look: { seen, ground }, over }: { readonly look: Look; readonly over: string }) {
  return (
    <p className="note mt-1">
      From above {percent(seen.top)} shows. Over {over} about {percent(meetsTheEye(seen.top, ground.hair, ground.worn))}{' '}
      of it meets the eye, over a white block {percent(meetsTheEye(seen.top, ground.hair, ground.block))}.
    </p>
  );
}

/** Parting the hair with a finger, and back to how it is at rest. */
function Finger({ thinnestMm }: { readonly thinnestMm: readonly [number, number, number] | undefined }) {
  const { check: view, setCheck, tool, hold } = useView();
  const held = tool.kind === 'finger';
  return (
    <div className="mt-3 grid gap-2">
      <ToolButton held={held} testId="finger" onPress={() => hold(held ? TURN_TOOL : { kind: 'finger' })}>
        Part it with a finger
      </ToolButton>
      {thinnestMm && !view.finger && (
        <button
          type="button"
          className="button"
          data-testid="finger-worst"
          onClick={() => setCheck({ finger: fingerThrough(thinnestMm) })}
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
          onClick={() => setCheck({ ...PLAIN_CHECK, whyAt: view.whyAt })}
        >
          Back to at rest and finished
        </button>
      )}
    </div>
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

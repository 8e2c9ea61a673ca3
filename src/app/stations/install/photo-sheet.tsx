/** A photo at a checkpoint: the head in it found with two taps, what shows measured against the plan, kept in this browser only. */
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useState } from 'react';
import { PAIRS_OF, type PhotoMeasured, type PhotoSide, type TapPair } from '../../../core/photo/index.ts';
import { isOffHead, percent } from '../../../core/trade/index.ts';
import { storageSentence } from '../../../store/plans.ts';
import { startClient } from '../../ask/clients.ts';
import { useLookSoFar } from '../../ask/so-far.ts';
import { db, newId } from '../../session/database.ts';
import { OpenFile } from '../../ui/open-file.tsx';
import { OneOf } from '../../ui/tabs.tsx';
import { GuessesBy } from './guesses-by.tsx';
import { MirrorDialog } from './mirror-dialog.tsx';
import { type Beads, PhotoBeads } from './photo-beads.tsx';
import { fromCamera, fromFile, type Shot } from './shot.ts';
import type { Install } from './use-install.ts';
import type { NewPlan } from './use-new-plan.ts';
import type { OnHead } from './where-picture.tsx';

interface Props extends OnHead {
  readonly session: { readonly id: string };
  readonly install: Install;
  readonly newPlan: NewPlan;
  readonly onClose: () => void;
}

const SIDES: ReadonlyArray<readonly [PhotoSide, string]> = [
  ['behind', 'from behind'],
  ['left', 'from my left'],
  ['right', 'from my right'],
];
const PAIR_WORDS: Readonly<Record<TapPair, string>> = {
  crownNape: 'crown and nape',
  ears: 'both ears',
  crownEar: 'crown and ear',
};
/** Where beads lie until they are moved, as shares of the photo. */
const START: Readonly<Record<TapPair, Beads>> = {
  crownNape: { a: [0.5, 0.2], b: [0.5, 0.72] },
  ears: { a: [0.25, 0.52], b: [0.75, 0.52] },
  crownEar: { a: [0.5, 0.2], b: [0.5, 0.52] },
};

export function PhotoSheet(props: Props) {
  const { plan, install, isIn } = props;
  const [side, setSide] = useState<PhotoSide>('behind');
  const [pair, setPair] = useState<TapPair>('crownNape');
  const [shot, setShot] = useState<Shot>();
  const [beads, setBeads] = useState<Beads>(START.crownNape);
  const [trouble, setTrouble] = useState<string>();
  const [isOpening, setOpening] = useState(false);
  const look = useLookSoFar(plan, isIn.size);
  const { measured, isWorking, measure, unkept } = usePhoto(props, { side, pair, beads, shot }, look?.ground);
  const take = async (taking: Promise<Shot>) => {
    setOpening(true);
    try {
      setShot(await taking);
      setTrouble(undefined);
    } catch (error) {
      setTrouble(`${(error as Error).message} Nothing was changed.`);
    }
    setOpening(false);
  };
  const pairs = PAIRS_OF[side];
  return (
    <MirrorDialog title="A photo, and what shows in it" onClose={props.onClose} testId="photo-dialog">
      <p className="text-body">It is measured here and kept with this install in this browser; it goes nowhere else.</p>
      <OneOf
        label="Taken"
        value={side}
        options={SIDES}
        testId="photo-side"
        onChange={(next) => {
          setSide(next);
          setPair(PAIRS_OF[next][0]);
          setBeads(START[PAIRS_OF[next][0]]);
        }}
      />
      <TakeOne
        isAnother={shot !== undefined}
        onFile={(file) => void take(fromFile(file))}
        onCamera={() => void take(fromCamera(plan, side, isIn.size))}
      />
      {isOpening && <p role="status">Opening the photo …</p>}
      {trouble && (
        <p role="alert" className="mt-2 text-madder">
          {trouble}
        </p>
      )}
      {shot && (
        <>
          {pairs.length > 1 && (
            <OneOf
              label="Tap"
              value={pair}
              options={pairs.map((p) => [p, PAIR_WORDS[p]] as const)}
              testId="photo-pair"
              onChange={(next) => {
                setPair(next);
                setBeads({ ...beads, ...START[next] });
              }}
            />
          )}
          <p className="note mt-2">
            Lay the two beads on your {PAIR_WORDS[pair]}: the dashed line is your own scalp, and it should lie on its
            edge in the photo.
          </p>
          <PhotoBeads
            {...{ shot, pair, side, beads, measured }}
            head={props.scene?.cap}
            mark={props.result.head.landmarks}
            onBeads={setBeads}
          />
          <Helping {...{ beads, setBeads }} />
          <button
            type="button"
            className="button primary mt-3"
            disabled={isWorking || !props.scene || !look}
            data-testid="measure-photo"
            onClick={() => void measure()}
          >
            Measure what shows
          </button>
          <p role="status" className="mt-2 text-title" data-testid="photo-said">
            {isWorking ? 'Measuring …' : measured && saidOf(measured, look?.seen[side], side, install)}
          </p>
          {unkept && <p className="text-madder">{unkept} The figure is kept, the photo itself is not.</p>}
          {measured?.state === 'measured' && <GuessesBy {...props} {...{ side, measured }} />}
        </>
      )}
      <Kept sessionId={props.session.id} install={install} />
    </MirrorDialog>
  );
}

function TakeOne(props: {
  readonly isAnother: boolean;
  readonly onFile: (file: File) => void;
  readonly onCamera: () => void;
}) {
  return (
    <div className="mt-2 flex flex-wrap gap-x-6">
      <OpenFile
        words={props.isAnother ? 'Load another photo' : 'Load a photo'}
        className="word text-title"
        label="A photo of your head"
        accept="image/png,image/jpeg"
        testId="photo-file"
        onChosen={props.onFile}
      />
      <button type="button" className="word text-title" data-testid="photo-camera" onClick={props.onCamera}>
        Take one with the camera on this machine
      </button>
    </div>
  );
}

/** Where colours are close she shows it one of either. */
function Helping({ beads, setBeads }: { readonly beads: Beads; readonly setBeads: (beads: Beads) => void }) {
  const helps = [
    ['hair', [0.5, 0.45], beads.hair ? 'Leave out the tap on hair' : 'Show it what is hair'],
    ['gap', [0.5, 0.35], beads.gap ? 'Leave out the tap on a gap' : 'Show it what is a gap'],
  ] as const;
  return (
    <div className="mt-2 flex flex-wrap gap-x-6">
      {helps.map(([which, at, words]) => (
        <button
          key={which}
          type="button"
          className="word"
          aria-pressed={beads[which] !== undefined}
          data-testid={`help-${which}`}
          onClick={() => setBeads(toggled(beads, which, at))}
        >
          {words}
        </button>
      ))}
    </div>
  );
}

/** Photos of this install, the newest first, each with what showed in it. */
function Kept({ sessionId, install }: { readonly sessionId: string; readonly install: Install }) {
  const kept = useLiveQuery(
    () => db.photos.where('sessionId').equals(sessionId).reverse().sortBy('takenAtMs'),
    [sessionId],
  );
  if (!kept || kept.length === 0) return null;
  const shownIn = new Map(install.state.photos.map((p) => [p.photoId, p.shown]));
  return (
    <>
      <h3 className="mt-5 text-title">Kept with this install</h3>
      <ul className="mt-2 flex flex-wrap gap-4" data-testid="photos-kept">
        {kept.map((photo) => (
          <li key={photo.id} className="text-note" style={{ width: 144 }}>
            <img src={photo.image} alt="" className="block w-full" />
            {SIDES.find(([side]) => side === photo.side)?.[1]}, {photo.knotsIn} in
            {shownIn.get(photo.id) !== undefined && `: ${percent(shownIn.get(photo.id) ?? 0)} shows`}
          </li>
        ))}
      </ul>
    </>
  );
}

function toggled(beads: Beads, which: 'hair' | 'gap', at: readonly [number, number]): Beads {
  const { [which]: there, ...others } = beads;
  return there ? others : { ...others, [which]: at };
}

function saidOf(measured: PhotoMeasured, planned: number | undefined, side: PhotoSide, { state }: Install): string {
  if (measured.state === 'cantTell') return `It can’t be told: ${measured.why}`;
  const [low, high] = measured.range;
  const where = side === 'behind' ? 'from behind' : `from your ${side}`;
  const shown = `${percent(measured.shown)} shows ${where}, between ${percent(low)} and ${percent(high)}.`;
  if (planned === undefined) return shown;
  const words =
    planned < low
      ? 'More than planned: look at the outlined gaps before you go on.'
      : planned > high
        ? 'Less than planned: it may be fuller than you want.'
        : 'As it is meant to be.';
  return `${shown} Planned with ${state.piecesUsed} in: ${percent(planned)}. ${words}`;
}

interface Wish {
  readonly side: PhotoSide;
  readonly pair: TapPair;
  readonly beads: Beads;
  readonly shot: Shot | undefined;
}

/** Measured in a worker of its own; what was measured is kept with the install at once. */
function usePhoto(props: Props, wish: Wish, ground: { hair: number; worn: number; block: number } | undefined) {
  const { session, plan, result, scene, install, isIn } = props;
  const { side, pair, beads, shot } = wish;
  const [measured, setMeasured] = useState<PhotoMeasured>();
  const [isWorking, setWorking] = useState(false);
  const [unkept, setUnkept] = useState<string>();
  const [client] = useState(startClient);
  useEffect(() => () => client.stop(), [client]);
  // Another photo, or the head elsewhere in it, is another question.
  // biome-ignore lint/correctness/useExhaustiveDependencies: what was said is of these
  useEffect(() => setMeasured(undefined), [shot, side, pair, beads]);
  const measure = async () => {
    if (!shot || !scene || !ground) return;
    setWorking(true);
    const at = ([x, y]: readonly [number, number]) => [x * shot.width, y * shot.height] as const;
    const { cap } = scene;
    const outcome = await client.call('photo', {
      pixels: shot.pixels,
      width: shot.width,
      height: shot.height,
      head: {
        positions: cap.positions,
        normals: cap.normals,
        triangles: cap.triangles,
        aboveHairlineMm: cap.aboveHairlineMm,
      },
      mark: result.head.landmarks,
      side,
      pair,
      taps: [at(beads.a), at(beads.b)],
      hairIsDarker: ground.hair < (isOffHead(plan.cap) ? ground.block : ground.worn),
      hair: beads.hair && at(beads.hair),
      gap: beads.gap && at(beads.gap),
    });
    setWorking(false);
    if (outcome.state !== 'done') {
      setMeasured({ state: 'cantTell', why: 'message' in outcome ? outcome.message : 'Try once more.', contrast: 0 });
      return;
    }
    setMeasured(outcome.value);
    if (outcome.value.state !== 'measured') return;
    const photoId = newId();
    const kept = { id: photoId, sessionId: session.id, takenAtMs: Date.now(), side, image: shot.image };
    const why = await db.photos.put({ ...kept, knotsIn: isIn.size }).then(() => undefined, storageSentence);
    setUnkept(why);
    install.add('photo', { photoId, shown: outcome.value.shown, what: side });
  };
  return { measured, isWorking, measure, unkept };
}

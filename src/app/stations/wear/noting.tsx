/** What she notes of a day: two taps, the second one where it is. */
import { useEffect, useRef, useState } from 'react';
import { directionDeg } from '../../../core/head/index.ts';
import {
  upperFirst,
  WEAR_INFO,
  WEAR_KINDS,
  WEAR_PLACE_INFO,
  WEAR_PLACES,
  type WearKind,
  type WearPlace,
} from '../../../core/trade/index.ts';
import { type WearNote, wearPlaceAt } from '../../../core/wear/index.ts';
import { surfacePointAt } from '../../head-view/surface-hit.ts';
import { Trouble } from '../../ui/trouble.tsx';
import { useView } from '../../view/view-store.ts';
import { NotePhoto } from './note-photo.tsx';
import { TakePhoto } from './take-photo.tsx';
import type { Wear } from './use-wear.ts';

const GROUPS = [
  ['happened', 'It was'],
  ['seen', 'You see'],
  ['felt', 'You feel'],
] as const;

export function Noting({ day, wear }: { readonly day: string; readonly wear: Wear }) {
  const [where, setWhere] = useState<WearKind>();
  const note = (what: WearKind, place?: WearPlace) => {
    setWhere(undefined);
    void wear.add({ day, what, ...(place ? { place } : {}) });
  };
  return (
    <section aria-label="Note this day" className="mt-2">
      <Noted notes={wear.notes?.filter((n) => n.day === day) ?? []} undo={wear.undo} />
      {where ? (
        <Where what={where} onPlace={(place) => note(where, place)} onBack={() => setWhere(undefined)} />
      ) : (
        GROUPS.map(([group, words]) => (
          <fieldset key={group} className="line grid grid-cols-[64px_minmax(0,1fr)] py-0.5">
            <legend className="sr-only">{words}</legend>
            <span className="note flex min-h-11 items-center self-start" aria-hidden="true">
              {words}
            </span>
            <span className="flex flex-wrap gap-x-5">
              {WEAR_KINDS.filter((k) => WEAR_INFO[k].group === group).map((kind) => (
                <button
                  key={kind}
                  type="button"
                  className="word"
                  data-testid={`note-${kind}`}
                  onClick={() => (WEAR_INFO[kind].hasPlace ? setWhere(kind) : note(kind))}
                >
                  {WEAR_INFO[kind].name}
                </button>
              ))}
            </span>
          </fieldset>
        ))
      )}
      <TakePhoto words="A photo of it" onPhoto={(image) => wear.add({ day, what: 'photo' }, image)} />
      <Trouble why={wear.trouble} />
    </section>
  );
}

function Where(props: {
  readonly what: WearKind;
  readonly onPlace: (place: WearPlace) => void;
  readonly onBack: () => void;
}) {
  const { onPlace } = props;
  useTouched(onPlace);
  return (
    <fieldset className="line py-2">
      <legend className="font-strong">{upperFirst(WEAR_INFO[props.what].name)}: where?</legend>
      <p className="note max-phone:hidden">Touch it on the head, or say it:</p>
      <div className="mt-2 grid grid-cols-2 gap-2">
        {WEAR_PLACES.map((place) => (
          <button
            key={place}
            type="button"
            className="button tool"
            data-testid={`place-${place}`}
            onClick={() => props.onPlace(place)}
          >
            {WEAR_PLACE_INFO[place].name}
          </button>
        ))}
      </div>
      <button type="button" className="word" onClick={props.onBack}>
        Not after all
      </button>
    </fieldset>
  );
}

/** A touch on the head says the place too, as long as it is asked for. */
function useTouched(onPlace: (place: WearPlace) => void) {
  const latest = useRef(onPlace);
  latest.current = onPlace;
  useEffect(() => {
    useView.setState({
      touched: (seen, scene, x, y) => {
        const hit = surfacePointAt(seen, scene.cap, x, y);
        if (hit) latest.current(wearPlaceAt(directionDeg(hit)));
      },
    });
    return () => useView.setState({ touched: undefined });
  }, []);
}

/** What stands for the day, with what to do about it, each to be taken back. */
function Noted({ notes, undo }: { readonly notes: readonly WearNote[]; readonly undo: Wear['undo'] }) {
  return (
    <ul data-testid="noted">
      {notes.map((note) => (
        <li key={note.key} className="line py-1">
          <div className="flex items-center justify-between gap-3">
            <span className="font-strong">{wordsOf(note)}</span>
            <button
              type="button"
              className="word"
              onClick={() => undo(note)}
              aria-label={`Take back: ${wordsOf(note)}`}
            >
              take back
            </button>
          </div>
          {note.what !== 'photo' && WEAR_INFO[note.what].now && <p className="note pb-1">{WEAR_INFO[note.what].now}</p>}
          {note.photoId && <NotePhoto id={note.photoId} />}
        </li>
      ))}
    </ul>
  );
}

const wordsOf = ({ what, place }: WearNote) =>
  what === 'photo'
    ? 'A photo'
    : `${upperFirst(WEAR_INFO[what].name)}${place ? `, ${WEAR_PLACE_INFO[place].name}` : ''}`;

/** Two photos of her edges beside each other, the first day and the newest unless she chooses others: hers to compare. */
import { useState } from 'react';
import type { WearNote } from '../../../core/wear/index.ts';
import { today } from '../../session/today.ts';
import { SelectField } from '../../ui/field.tsx';
import { weekday } from '../../ui/format.ts';
import { NotePhoto } from '../wear/note-photo.tsx';
import { TakePhoto } from '../wear/take-photo.tsx';
import type { Wear } from '../wear/use-wear.ts';

export function Edges({ wear }: { readonly wear: Wear }) {
  const photos = (wear.notes ?? []).filter((n) => n.photoId !== undefined);
  const [chosen, setChosen] = useState<readonly [string?, string?]>([]);
  const at = (side: 0 | 1) =>
    photos.find((n) => n.key === chosen[side]) ?? (side === 0 ? photos[0] : photos[photos.length - 1]);
  const choose = (side: 0 | 1, key: string) => setChosen(side === 0 ? [key, chosen[1]] : [chosen[0], key]);
  return (
    <section className="mt-5" aria-label="Edges before and after" data-testid="edges">
      <h3 className="text-title">Your edges, before and after</h3>
      {photos.length > 1 ? (
        <div className="mt-2 grid grid-cols-2 gap-2">
          <OfDay label="Before" photos={photos} shown={at(0)} onChoose={(key) => choose(0, key)} />
          <OfDay label="After" photos={photos} shown={at(1)} onChoose={(key) => choose(1, key)} />
        </div>
      ) : (
        <p className="note mt-1">
          Two photos of them stand here beside each other: one of the first day, one of now. Look for hair that is
          shorter or thinner than before, and for skin that shines.
        </p>
      )}
      <TakePhoto words="A photo of them now" onPhoto={(image) => wear.add({ day: today(), what: 'photo' }, image)} />
    </section>
  );
}

function OfDay(props: {
  readonly label: string;
  readonly photos: readonly WearNote[];
  readonly shown: WearNote | undefined;
  readonly onChoose: (key: string) => void;
}) {
  const { label, photos, shown, onChoose } = props;
  if (!shown?.photoId) return null;
  return (
    <figure>
      <NotePhoto id={shown.photoId} />
      <figcaption>
        {photos.length > 2 ? (
          <SelectField
            label={label}
            wide
            value={shown.key}
            options={photos.map((n) => [n.key, dayOf(n, photos)] as const)}
            onChange={onChoose}
            testId={`edges-${label.toLowerCase()}`}
          />
        ) : (
          <span className="note">{weekday(shown.day)}</span>
        )}
      </figcaption>
    </figure>
  );
}

/** Two of the same day are told apart by which came first. */
function dayOf(photo: WearNote, photos: readonly WearNote[]): string {
  const ofDay = photos.filter((n) => n.day === photo.day);
  return ofDay.length > 1
    ? `${weekday(photo.day)}, ${ofDay.indexOf(photo) + 1} of ${ofDay.length}`
    : weekday(photo.day);
}

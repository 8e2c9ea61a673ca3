/** A photo that was kept with a day. */
import { useLiveQuery } from 'dexie-react-hooks';
import { db } from '../../session/database.ts';
import { day } from '../../ui/format.ts';

export function NotePhoto({ id }: { readonly id: string }) {
  const photo = useLiveQuery(() => db.photos.get(id), [id]);
  if (!photo) return null;
  return (
    <img
      className="mb-2 max-h-60 rounded-[2px]"
      src={photo.image}
      alt={`Your hair on ${day(photo.takenAtMs)}`}
      data-testid="note-photo"
    />
  );
}

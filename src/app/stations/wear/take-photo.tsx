/** A photo taken or loaded for a day. */
import { useState } from 'react';
import { fromFile } from '../install/shot.ts';

/** No larger than it is looked at, and kept in this browser only. */
export function TakePhoto({
  words,
  onPhoto,
}: {
  readonly words: string;
  readonly onPhoto: (image: string) => Promise<void>;
}) {
  const [said, setSaid] = useState<string>();
  const take = async (file: File | undefined) => {
    if (!file) return;
    setSaid('Opening the photo …');
    try {
      await onPhoto((await fromFile(file)).image);
      setSaid(undefined);
    } catch (error) {
      setSaid(error instanceof Error ? error.message : 'This photo can’t be opened.');
    }
  };
  return (
    <div className="line">
      <label className="word cursor-pointer">
        <input
          type="file"
          accept="image/*"
          className="sr-only"
          data-testid="wear-photo"
          onChange={(e) => void take(e.target.files?.[0])}
        />
        {words}
      </label>
      <span className="note ml-5" role="status">
        {said ?? 'It stays in this browser.'}
      </span>
    </div>
  );
}

/** The 3D picture, made once it is wanted, or none where it can’t be. */
import { useEffect, useRef, useState } from 'react';
import type { HeadScene } from '../../core/plan/index.ts';
import type { AnyHead } from './picture/plain-head.ts';

/** Plain where the browser can't draw in space; none where it can't draw at all. */
export type PictureKind = 'loading' | 'none' | 'ready' | 'plain';
type PictureState =
  | { readonly state: 'loading' | 'none'; readonly head?: undefined }
  | { readonly state: 'ready' | 'plain'; readonly head: AnyHead };

export function useHeadPicture(
  canvas: React.RefObject<HTMLCanvasElement | null>,
  scene: HeadScene | undefined,
): PictureState {
  const [picture, setPicture] = useState<PictureState>({ state: 'loading' });
  const made = useRef<AnyHead>(undefined);
  useEffect(() => {
    let gone = false;
    const draw = (head: AnyHead, state: 'ready' | 'plain') => {
      made.current = head;
      if (!scene) return;
      head.setHead(scene);
      setPicture({ state, head });
    };
    import('./picture/head-picture.ts').then(async ({ HeadPicture }) => {
      if (gone || !canvas.current) return;
      try {
        draw(new HeadPicture(canvas.current), 'ready');
      } catch {
        const { PlainHead } = await import('./picture/plain-head.ts');
        if (gone || !canvas.current) return;
        try {
          draw(new PlainHead(canvas.current), 'plain');
        } catch {
          setPicture({ state: 'none' });
        }
      }
    });
    return () => {
      gone = true;
      made.current?.dispose();
      made.current = undefined;
    };
  }, [canvas, scene]);
  return picture;
}

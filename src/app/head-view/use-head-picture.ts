/** The 3D picture, made once it is wanted, or none where it can’t be. */
import { useEffect, useRef, useState } from 'react';
import type { HeadScene } from '../../core/plan/index.ts';
import type { HeadPicture } from './picture/head-picture.ts';

type PictureState = { readonly state: 'loading' | 'none' } | { readonly state: 'ready'; readonly head: HeadPicture };

export function useHeadPicture(
  canvas: React.RefObject<HTMLCanvasElement | null>,
  scene: HeadScene | undefined,
): PictureState {
  const [picture, setPicture] = useState<PictureState>({ state: 'loading' });
  const made = useRef<HeadPicture>(undefined);
  useEffect(() => {
    let gone = false;
    import('./picture/head-picture.ts').then(({ HeadPicture }) => {
      if (gone || !canvas.current) return;
      try {
        made.current = new HeadPicture(canvas.current);
      } catch {
        setPicture({ state: 'none' });
      }
      if (made.current && scene) {
        made.current.setHead(scene);
        setPicture({ state: 'ready', head: made.current });
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

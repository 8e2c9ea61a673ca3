/** The 3D picture of her head with what is shown on it: at screen resolution while it turns, at twice that at rest. */
import { useEffect, useMemo, useRef } from 'react';
import type { PlanResult } from '../../core/findings/index.ts';
import type { HairOnHead, HeadScene, Look } from '../../core/plan/index.ts';
import { isWorn, litHair, shadesIn } from '../../core/trade/index.ts';
import type { PlanDocument } from '../../model/plan.ts';
import { isPlainView } from '../ask/look.ts';
import { useTheme } from '../session/theme.ts';
import { isLook, type Show } from '../view/layers.ts';
import { type HairView, useView } from '../view/view-store.ts';
import { keepPicture } from './kept-picture.ts';
import { type Layered, layered, layersOf, showsSame } from './picture/layers.ts';
import { blockPalette, formPalette, paletteOf } from './picture/palette.ts';
import type { Projection } from './projection.ts';
import { useHeadPicture } from './use-head-picture.ts';

const REST_MS = 160;
/** Strands smooth each other: at rest they need fewer pixels than the edge of a bare head. */
const HAIR_REST = 1.5;

interface Pictured {
  readonly plan: PlanDocument;
  readonly result: PlanResult | undefined;
  readonly scene: HeadScene | undefined;
  readonly show: Show;
  readonly seen: Projection;
  readonly check: HairView;
  readonly look: Look | undefined;
  /** Hair to be drawn, none where none is. */
  readonly hair: HairOnHead | undefined;
}

export function useDrawnPicture(canvas: React.RefObject<HTMLCanvasElement | null>, pictured: Pictured) {
  const { plan, scene, seen, hair, check } = pictured;
  // Of all of it, finished and at rest.
  const isPlain = useView((v) => v.close.zoom === 1 && !v.mirror) && isPlainView(check) && !check.onBlock;
  /** The hair of which a small picture is kept. */
  const kept = useRef<HairOnHead>(undefined);
  const picture = useHeadPicture(canvas, scene);
  const layers = useLayers(pictured);
  const palette = usePalette(pictured);
  const moving = useView((v) => v.moving);
  useEffect(() => {
    picture.head?.setLayers(layers);
  }, [picture, layers]);
  useEffect(() => {
    picture.head?.setHair(hair?.mesh);
  }, [picture, hair]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: new layers are drawn though they are set elsewhere
  useEffect(() => {
    if (!picture.head || seen.width === 0) return;
    const { head } = picture;
    const say = (state: 'moving' | 'rest') => {
      if (canvas.current) canvas.current.dataset.drawn = state;
    };
    say('moving');
    head.setPalette(palette);
    head.setHairLooks(hairLooksOf(plan));
    const ratio = Math.min(2, window.devicePixelRatio || 1);
    const frame = requestAnimationFrame(() => head.draw(seen, moving ? Math.min(1, ratio) : ratio, moving));
    const rest = moving
      ? undefined
      : setTimeout(() => {
          head.draw(seen, Math.min(1, ratio) * (hair ? HAIR_REST : 2));
          say('rest');
          if (picture.state !== 'ready' || !hair || !canvas.current || kept.current === hair || !isPlain) return;
          kept.current = hair;
          keepPicture(plan.id, canvas.current, seen);
        }, REST_MS);
    return () => {
      cancelAnimationFrame(frame);
      clearTimeout(rest);
    };
  }, [picture, layers, hair, seen, moving, palette]);
  return picture.state;
}

/** Hangs on skin and cap alone: dragging a spacing must not draw the picture again. */
function usePalette({ plan: { skin, cap, madeFor }, show, check }: Pictured) {
  const { theme } = useTheme();
  const capOff = show === 'sections' || show === 'tape';
  const onBlock = check.onBlock && isLook(show);
  const isForm = !isWorn(madeFor);
  return useMemo(
    () => ({
      ...paletteOf({ skin, cap }, theme === 'dark', capOff),
      // Nobody's head: the form alone, or with the cap on it.
      ...(onBlock || (isForm && capOff) ? blockPalette() : isForm ? formPalette() : {}),
    }),
    [skin, cap, theme, capOff, onBlock, isForm],
  );
}

/** A spacing change leaves marks and sections as they are, and so the picture. */
function useLayers({ result, show, look }: Pictured) {
  const sectionId = useView((v) => v.sectionId);
  const bumps = useView((v) => v.showBumps);
  const base = useLayered(result);
  const atBase = show === 'sections';
  const shows = show === 'light' ? look?.shows : undefined;
  return useMemo(() => layersOf(base, { bumps, sectionId, atBase, shows }), [base, bumps, sectionId, atBase, shows]);
}

/** The same object as long as it shows the same. */
function useLayered(result: PlanResult | undefined): Layered | undefined {
  const last = useRef<{ readonly of: PlanResult; readonly layered: Layered }>(undefined);
  if (result && last.current?.of !== result) {
    const fresh = layered(result);
    const before = last.current?.layered;
    last.current = { of: result, layered: before && showsSame(before, fresh) ? before : fresh };
  }
  return result && last.current?.layered;
}

/** Every product in its own texture, and in each colour that is mixed. */
export function hairLooksOf({ products, colours }: PlanDocument) {
  return products.flatMap(({ texture, colours: own }) =>
    [own, ...colours.more.map((c) => shadesIn(c.name))].map((shades) => ({
      shades: shades.length > 0 ? shades.map(litHair) : [litHair('')],
      texture,
    })),
  );
}

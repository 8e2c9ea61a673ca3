/** How she left the room: how she wears her hair, and for each station what the stage shows and whether the cloth lies open. Kept with the settings. */
import { create } from 'zustand';
import { WORN_AS, type WornAs, waysToWear } from '../../core/fall/index.ts';
import type { Family } from '../../core/trade/index.ts';
import { db } from '../session/database.ts';
import { isStation, type StationId } from '../thread/stations.ts';
import { FIRST_LAYER, LAYERS, type Layer } from './layers.ts';

type ByStation<T> = Readonly<Partial<Record<StationId, T>>>;

interface Room {
  readonly layers: ByStation<Layer>;
  readonly cloths: ByStation<boolean>;
  readonly wornAs: WornAs;
}

const useRoom = create<Room>(() => ({ layers: {}, cloths: {}, wornAs: 'offFace' }));

const KEY = 'room';

/** What can't be read leaves the room as it comes. */
async function remember() {
  const kept: unknown = JSON.parse((await db.settings.get(KEY))?.value ?? '{}');
  const of = (name: string) => Object.entries(((kept as Record<string, unknown> | null)?.[name] ?? {}) as object);
  const layers = of('layers').filter(([s, l]) => isStation(s) && LAYERS.includes(l));
  const cloths = of('cloths').filter(([s, open]) => isStation(s) && typeof open === 'boolean');
  const wornAs = WORN_AS.find((w) => w === (kept as { wornAs?: unknown } | null)?.wornAs);
  useRoom.setState(({ layers: l, cloths: c }) => ({
    ...(wornAs ? { wornAs } : {}),
    layers: { ...Object.fromEntries(layers), ...l },
    cloths: { ...Object.fromEntries(cloths), ...c },
  }));
}
remember().catch(() => undefined);

function leave(change: Partial<Room>) {
  useRoom.setState(change);
  // That the room is as it came next time is no loss to stop for.
  db.settings.put({ key: KEY, value: JSON.stringify(useRoom.getState()) }).catch(() => undefined);
}

export function useLayer(station: StationId): readonly [Layer, (layer: Layer) => void] {
  const layer = useRoom((r) => r.layers[station]) ?? FIRST_LAYER[station];
  return [layer, (to) => leave({ layers: { ...useRoom.getState().layers, [station]: to } })];
}

/** The cloth lies open where rows are worked on, elsewhere it is a ribbon. */
export function useCloth(station: StationId): readonly [boolean, (open: boolean) => void] {
  const open = useRoom((r) => r.cloths[station]) ?? station === 'rows';
  return [open, (to) => leave({ cloths: { ...useRoom.getState().cloths, [station]: to } })];
}

/** As she wears it, over a base of that family: what it doesn't allow is not worn. */
export function useWornAs(family: Family): readonly [WornAs, (as: WornAs) => void] {
  const wornAs = useRoom((r) => r.wornAs);
  return [waysToWear(family).includes(wornAs) ? wornAs : 'offFace', (to) => leave({ wornAs: to })];
}

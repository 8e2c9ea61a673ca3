/** Where on the head a touch lies, as she would say it. */
import { type DirectionDeg, directionOf } from '../head/index.ts';
import { WEAR_PLACE_INFO, WEAR_PLACES, type WearPlace } from '../trade/index.ts';

/** The named place that lies nearest by direction from the middle of the head. */
export function wearPlaceAt(at: DirectionDeg): WearPlace {
  const [x, y, z] = directionOf(at);
  const along = (place: WearPlace) => {
    const [px, py, pz] = directionOf(WEAR_PLACE_INFO[place].at as DirectionDeg);
    return x * px + y * py + z * pz;
  };
  return WEAR_PLACES.reduce((best, place) => (along(place) > along(best) ? place : best));
}

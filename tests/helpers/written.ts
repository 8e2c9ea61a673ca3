/** Parts of documents as she would write them. */

/** An average tape, in mm. */
export const TAPE_AS_WRITTEN = {
  girth: ['561 mm'],
  frontToNape: ['352 mm'],
  earToEarTop: ['341 mm'],
  earToEarFront: ['296 mm'],
  templeToTemple: ['386 mm'],
  napeWidth: ['127 mm'],
};

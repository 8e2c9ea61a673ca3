/** A photo as the store has it, a data URL, and as bytes. */

/** As many bytes at once as a call takes arguments. */
const CHUNK = 0x8000;
const DATA_URL = /^data:(image\/(?:png|jpeg|webp));base64,/;

/** @returns undefined where it is no picture that is known here */
export function bytesOfPhoto(image: string): { readonly type: string; readonly bytes: Uint8Array } | undefined {
  const head = DATA_URL.exec(image);
  if (!head) return undefined;
  const text = atob(image.slice(head[0].length));
  const bytes = new Uint8Array(text.length);
  for (let i = 0; i < text.length; i++) bytes[i] = text.charCodeAt(i);
  return { type: head[1], bytes };
}

export function photoOfBytes(type: string, bytes: Uint8Array): string {
  const parts: string[] = [];
  for (let i = 0; i < bytes.length; i += CHUNK) parts.push(String.fromCharCode(...bytes.subarray(i, i + CHUNK)));
  return `data:${type};base64,${btoa(parts.join(''))}`;
}

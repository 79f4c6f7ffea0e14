import { MOST_PHOTO_BYTES } from '@jumper/contract';

export type Shrunk = { kind: 'ok'; jpeg: ArrayBuffer } | { kind: 'bad'; message: string };

/** Longest side kept, px: a rating plate stays readable, a day's photos still go through a phone's network. */
const LONGEST_PX = 1600;

/** A picture from the camera made small enough to keep and to send; turned as it was held, and without what the camera wrote about place
 *  and owner. */
export async function shrink(file: Blob): Promise<Shrunk> {
  let picture: ImageBitmap;
  try {
    picture = await createImageBitmap(file, { imageOrientation: 'from-image' });
  } catch {
    return { kind: 'bad', message: 'This file is not a picture that the browser can read. Take a photo, or choose a JPEG or PNG.' };
  }
  const scale = Math.min(1, LONGEST_PX / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(picture.width * scale));
  canvas.height = Math.max(1, Math.round(picture.height * scale));
  canvas.getContext('2d')!.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  for (const quality of [0.82, 0.6, 0.35]) {
    const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/jpeg', quality));
    if (blob && blob.size <= MOST_PHOTO_BYTES) return { kind: 'ok', jpeg: await blob.arrayBuffer() };
  }
  return { kind: 'bad', message: 'The photo could not be made small enough to keep.' };
}

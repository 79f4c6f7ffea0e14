import { MOST_LOGO_CHARS } from '@jumper/contract';

export type Logo = { kind: 'ok'; address: string } | { kind: 'bad'; message: string };

/** Longest side that a logo is tried at, px: sharp on paper, small enough for the device and the customer's link. */
const SIZES_PX = [480, 320, 200, 120];

/** A picture of the firm's own as a PNG small enough to be kept and sent with every report. */
export async function logoOf(file: Blob): Promise<Logo> {
  let picture: ImageBitmap;
  try {
    picture = await createImageBitmap(file);
  } catch {
    return { kind: 'bad', message: 'Logo: this file is not a picture that the browser can read. Choose a PNG or JPEG.' };
  }
  for (const longest of SIZES_PX) {
    const scale = Math.min(1, longest / Math.max(picture.width, picture.height)),
      canvas = document.createElement('canvas');
    canvas.width = Math.max(1, Math.round(picture.width * scale));
    canvas.height = Math.max(1, Math.round(picture.height * scale));
    canvas.getContext('2d')!.drawImage(picture, 0, 0, canvas.width, canvas.height);
    const address = canvas.toDataURL('image/png');
    if (address.length <= MOST_LOGO_CHARS) {
      picture.close();
      return { kind: 'ok', address };
    }
  }
  picture.close();
  return { kind: 'bad', message: 'Logo: it could not be made small enough to be kept.' };
}

import { Asset } from 'expo-asset';

/** A font of the app as base64, for what cannot use the page's own: a PDF, a drawing shown as a picture. */
export async function fontAsBase64(font: number): Promise<string> {
  const bytes = new Uint8Array(await (await fetch(Asset.fromModule(font).uri)).arrayBuffer());
  let text = '';
  for (let i = 0; i < bytes.length; i += 8192) text += String.fromCharCode(...bytes.subarray(i, i + 8192));
  return btoa(text);
}

/** A drawing that brings its letters along: shown as a picture it sees no font of the page around it. */
export const lettered = (svg: string, fontBase64: string | null): string =>
  fontBase64 === null
    ? svg
    : svg.replace(
        /^<svg [^>]*>/,
        (open) => `${open}<style>@font-face{font-family:Barlow;src:url(data:font/ttf;base64,${fontBase64})}</style>`,
      );

/** Hands a text to the browser as a download. */
export const saveFile = (text: string, type: string, name: string): void => saveBlob(new Blob([text], { type }), name);

export function saveBlob(blob: Blob, name: string): void {
  const url = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  URL.revokeObjectURL(url);
}

/** Named after the site and the day. */
export const fileName = (site: string, day: Date, ending: string): string =>
  `${
    site
      .toLowerCase()
      .replace(/[^\p{L}\p{N}]+/gu, '-')
      .replace(/^-|-$/g, '') || 'case'
  }-${day.toISOString().slice(0, 10)}.${ending}`;

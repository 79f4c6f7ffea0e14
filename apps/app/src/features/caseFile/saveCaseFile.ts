import type { Case } from '@jumper/core';

/** Hands the case to the browser as a download, named after the site and the day. */
export function saveCaseFile(file: Case, site: string): void {
  const url = URL.createObjectURL(new Blob([`${JSON.stringify(file, null, 1)}\n`], { type: 'application/json' }));
  const link = document.createElement('a');
  link.href = url;
  link.download = caseFileName(site, new Date());
  link.click();
  URL.revokeObjectURL(url);
}

export const caseFileName = (site: string, day: Date): string => `${site.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '-').replace(/^-|-$/g, '') || 'case'}-${day.toISOString().slice(0, 10)}.jumper.json`;

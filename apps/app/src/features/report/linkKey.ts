/** Address of a link's page. */
export const linkAddress = (key: string): string => `${window.location.origin}/shared/${key}`;

/** 32 random bytes in base64url. */
export function newLinkKey(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(32));
  return btoa(String.fromCharCode(...bytes))
    .replaceAll('+', '-')
    .replaceAll('/', '_')
    .replaceAll('=', '');
}

/** Names what runs by the content of its scripts; null while it is developed, where scripts are not named by it. What an older build worked
 *  out is no answer of this one. */
export function buildName(scripts: readonly { src: string }[] = Array.from(document.scripts)): string | null {
  const hashes = scripts.flatMap(({ src }) => /-([0-9a-f]{32})\.js$/.exec(src)?.[1] ?? []);
  return hashes.length ? hashes.map((hash) => hash.slice(0, 8)).join('-') : null;
}

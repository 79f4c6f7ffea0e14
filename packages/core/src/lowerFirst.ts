/** A title as it stands in the middle of a sentence. */
export const lowerFirst = (s: string): string => s.charAt(0).toLowerCase() + s.slice(1);

export const capital = (s: string): string => s.charAt(0).toUpperCase() + s.slice(1);
/** An id of the catalogue as words: `left-in-service` is "left in service". */
export const plain = (id: string): string => id.replaceAll('-', ' ');

/** A quantity of which no line ends between the number and its unit. */
export const unbroken = (quantity: string): string => quantity.replace(/ (?=\S+$)/, '\u00a0');

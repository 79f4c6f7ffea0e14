/** Something a person can do something about: shown as a sentence, without a stack. */
export class Trouble extends Error {}

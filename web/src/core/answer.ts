/** Why something was not taken: which entity, which field, and one sentence. */
export interface Refusal {
  code: string;
  entity: string;
  field: string;
  text: string;
}

/** An edit or a value that was not taken. */
export class Refused extends Error {
  constructor(readonly refusal: Refusal) {
    super(refusal.text);
  }
}

/** Reads an answer of the core; a refusal is thrown. */
export function answer<T>(json: string): T {
  const read = JSON.parse(json) as T & { refusal?: Refusal };
  if (read && typeof read === 'object' && read.refusal) throw new Refused(read.refusal);
  return read;
}

/** A new id that says what it is for. */
export function newId(kind: string): string {
  return `${kind}-${crypto.randomUUID().slice(0, 8)}`;
}

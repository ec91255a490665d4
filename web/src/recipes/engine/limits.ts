/** What one recipe may take. */
export const LIMITS = {
  /** Of the recipe's own text. */
  characters: 1_000_000,
  /** Of memory for its own values; what it makes is the core's. */
  bytes: 128 << 20,
  /** Of calls in one another. */
  stackBytes: 128 << 10,
  /** Without a word of how far it is. */
  silentMs: 20_000,
  /** As many as the core takes in one edit. */
  commands: 20_000,
  lines: 2000,
  lineCharacters: 2000,
} as const;

/** Who is signed in, and what the door shows to who is not. */
export interface Session {
  name: string | null;
  /** What one is called; null when nobody is signed in. */
  shown: string | null;
  administers: boolean;
  /** The sequence that a guest looks at. */
  guestOf: string | null;
  demoName: string | null;
  demoPassword: string | null;
  /** What the studio's own sign-in is called, where there is one. */
  provider: string | null;
  /** Nobody has an account yet. */
  setUp: boolean;
}

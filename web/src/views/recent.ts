/** What is kept for the next of its kind: the one longest not asked for goes first, where there are too many. */
export class Recent<T extends { dispose(): void }> {
  private readonly all = new Map<string, T>();

  constructor(private readonly most: number) {}

  get(key: string, make: () => T): T {
    const made = this.all.get(key) ?? make();
    this.all.delete(key);
    this.all.set(key, made); // asked for last
    if (this.all.size > this.most) {
      const [[oldest, its]] = this.all;
      this.all.delete(oldest);
      its.dispose(); // where it is still drawn it is brought to the graphics side again
    }
    return made;
  }
}

/** Something in a list that is typed into. */
export interface Findable {
  id: string;
  name: string;
  /** The heading it stands under, which it is found by, too. */
  group?: string;
}

/**
 * Those that have every word, in whatever order they were typed: first those that begin as it was typed, then those that have
 * it somewhere as it was typed. Those under one heading stay together; the heading with the best of them comes first.
 *
 * @param most how many at the most
 */
export function found<T extends Findable>(all: T[], typed: string, most: number): T[] {
  const text = typed.trim().toLowerCase();
  const words = text.split(/\s+/).filter(Boolean);
  const of = (t: T) => `${t.name} ${t.group ?? ''}`.toLowerCase();
  const having = all.filter((t) => words.every((w) => of(t).includes(w)));
  if (!text) return having.slice(0, most);
  const rank = (t: T) => (t.name.toLowerCase().startsWith(text) ? 0 : of(t).includes(text) ? 1 : 2);
  const best = new Map<string, number>();
  for (const t of having) best.set(t.group ?? '', Math.min(rank(t), best.get(t.group ?? '') ?? 2));
  const order = [...best.keys()]; // the sort keeps what is alike as it stands
  return having
    .map((t) => ({ t, heading: best.get(t.group ?? '')!, at: order.indexOf(t.group ?? ''), own: rank(t) }))
    .sort((a, b) => a.heading - b.heading || a.at - b.at || a.own - b.own)
    .map((x) => x.t)
    .slice(0, most);
}

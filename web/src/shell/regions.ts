/** The parts of the window, in the order in which the keyboard goes round them, each with what takes it there, the best first. */
export const REGIONS: { name: string; at: string[] }[] = [
  { name: 'the roster', at: ['aside.left [role="treeitem"][tabindex="0"]', 'aside.left input'] },
  { name: 'the set view', at: ['[data-testid="set"]'] },
  { name: 'the lens view', at: ['[data-testid="lens"]'] },
  { name: 'the panel on the right', at: ['aside.right'] },
  { name: 'the lanes', at: ['section.time'] },
];

const partAt = (at: string[]): HTMLElement | null =>
  at.reduce<HTMLElement | null>((found, s) => found ?? document.querySelector<HTMLElement>(s), null);

/** What of a part takes the keyboard: it, or the first of its controls. */
function taker(at: string[]): HTMLElement | null {
  const part = partAt(at);
  if (!part || part.tabIndex >= 0) return part;
  return part.querySelector<HTMLElement>(
    'button:not(:disabled), input:not(:disabled), [tabindex="0"], select:not(:disabled)',
  );
}

/** Takes the keyboard to a part of the window; gives whether it is there. */
export function toRegion(at: string[]): boolean {
  const element = taker(at);
  element?.focus();
  return element !== null;
}

/** Takes the keyboard to the part after the one that has it, or before. */
export function nextRegion(by: 1 | -1): boolean {
  const takers = REGIONS.map((r) => taker(r.at));
  const boxes = REGIONS.map((r) => partAt(r.at)?.closest('aside, section') ?? null);
  const now = boxes.findIndex((b) => b?.contains(document.activeElement));
  for (let i = 1; i <= REGIONS.length; i++) {
    const to =
      takers[((((now < 0 && by < 0 ? 0 : now) + by * i) % REGIONS.length) + REGIONS.length) % REGIONS.length];
    if (!to) continue;
    to.focus();
    return true;
  }
  return false;
}

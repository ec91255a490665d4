import type { CutSpan } from '../session/store';

const numberOf = (shot: string): number => Number(/(\d+)$/.exec(shot)?.[1] ?? 0);

/**
 * A free code for a shot that begins on a frame: the next ten after the last shot, and between two shots
 * the roundest number between theirs (0030, 0035, 0040).
 */
export function newShot(code: string, spans: Pick<CutSpan, 'shot' | 'first'>[], frame: number): string {
  const taken = new Set(spans.map((s) => numberOf(s.shot)));
  const before = Math.max(0, ...spans.filter((s) => s.first <= frame).map((s) => numberOf(s.shot)));
  const after = Math.min(...spans.filter((s) => s.first > frame).map((s) => numberOf(s.shot)));
  let found = Math.floor(Math.max(0, ...taken) / 10) * 10 + 10;
  if (Number.isFinite(after) && after > before + 1) {
    const middle = (before + after) / 2;
    for (const step of [10, 5, 1]) {
      const n = Math.round(middle / step) * step;
      if (n <= before || n >= after) continue;
      found = n;
      break;
    }
  } else if (!Number.isFinite(after)) found = Math.floor(before / 10) * 10 + 10;
  while (taken.has(found)) found++;
  return `${code}_${String(found).padStart(4, '0')}`;
}

const STEPS: [Intl.RelativeTimeFormatUnit, number][] = [
  ['year', 365 * 86400],
  ['month', 30 * 86400],
  ['day', 86400],
  ['hour', 3600],
  ['minute', 60],
];

const words = new Intl.RelativeTimeFormat('en', { numeric: 'auto' });

/** How long ago a moment was, in words. */
export function ago(moment: string, now: number): string {
  const seconds = (now - new Date(moment).getTime()) / 1000;
  for (const [unit, length] of STEPS)
    if (seconds >= length) return words.format(-Math.floor(seconds / length), unit);
  return 'just now';
}

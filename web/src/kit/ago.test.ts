import { expect, test } from 'vitest';
import { ago } from './ago';

test('moments are told in the largest unit that fits', () => {
  const now = Date.parse('2026-03-10T12:00:00Z');
  expect(ago('2026-03-10T11:59:40Z', now)).toBe('just now');
  expect(ago('2026-03-10T11:57:00Z', now)).toBe('3 minutes ago');
  expect(ago('2026-03-10T09:30:00Z', now)).toBe('2 hours ago');
  expect(ago('2026-03-09T11:00:00Z', now)).toBe('yesterday');
  expect(ago('2024-03-10T12:00:00Z', now)).toBe('2 years ago');
});

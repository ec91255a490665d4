import { expect, test } from 'vitest';
import { lasts } from './lasts';

test('how long something takes is said in the unit that fits', () => {
  expect(lasts(0.42)).toBe('0.4 s');
  expect(lasts(42.4)).toBe('42 s');
  expect(lasts(150)).toBe('3 min');
  expect(lasts(5400)).toBe('1.5 h');
});

import { expect, test } from 'vitest';
import { newShot } from './shotCode';

const cut = [
  { shot: 'SW_0010', first: 1001 },
  { shot: 'SW_0030', first: 1040 },
  { shot: 'SW_0040', first: 1080 },
];

test('a shot at the end takes the next ten', () => {
  expect(newShot('SW', cut, 1100)).toBe('SW_0050');
  expect(newShot('SW', [], 1001)).toBe('SW_0010');
});

test('a shot between two lies between their codes', () => {
  expect(newShot('SW', cut, 1060)).toBe('SW_0035');
  expect(newShot('SW', cut, 1020)).toBe('SW_0020');
  expect(newShot('SW', [...cut, { shot: 'SW_0035', first: 1060 }], 1050)).toBe('SW_0033');
});

test('where there is no number left between, it is one that is free', () => {
  const tight = [
    { shot: 'SW_0001', first: 1 },
    { shot: 'SW_0002', first: 9 },
  ];
  expect(newShot('SW', tight, 5)).toBe('SW_0010');
});

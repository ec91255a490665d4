import { describe, expect, it } from 'vitest';
import type { Entity } from '../core/types';
import { above, branches, forks, inOrder, within } from './branches';

const piece = (id: string, parent: string | null = null) =>
  ({ kind: 'piece', id, name: id, parent }) as Entity;
const camera = (id: string, letter: string) => ({ kind: 'camera', id, name: id, letter }) as Entity;

const ALL = [
  piece('lamp', 'pier'),
  piece('pier'),
  piece('pim'),
  piece('hat', 'pim'),
  piece('stall 10', 'pier'),
  piece('stall 2', 'pier'),
  camera('z', 'B'),
  camera('a', 'C'),
];
const here = branches(ALL, new Set(['pim']));

describe('the roster’s branches', () => {
  it('stand in crew order, cameras by letter, names with numbers as one counts', () => {
    expect(inOrder(here)).toEqual(['z', 'a', 'pim', 'hat', 'pier', 'lamp', 'stall 2', 'stall 10']);
  });

  it('nest what is of the same group, and show at the top what is nested in another', () => {
    expect(here.map((b) => b.id)).toEqual(['group:Cameras', 'group:Subjects', 'group:Set']);
    expect(above(here, 'lamp')).toEqual(['group:Set', 'pier']);
    expect(above(here, 'hat')).toEqual(['group:Set']);
    expect(above(here, 'nothing')).toEqual([]);
  });

  it('fork where something is nested', () => {
    expect(forks(here)).toEqual(['group:Cameras', 'group:Subjects', 'group:Set', 'pier']);
  });

  it('have so many rows at first, and whatever is chosen', () => {
    const rows = (room: number, wanted = '') => inOrder(within(here, room, wanted));
    expect(rows(2)).toEqual(['z', 'a', 'pim', 'hat', 'pier', 'lamp', 'stall 2', 'more:pier']);
    expect(within(here, 2, '')[2].children[1].children[2].label).toBe('1 more');
    expect(rows(1, 'stall 2')).toEqual([
      'z',
      'more:group:Cameras',
      'pim',
      'hat',
      'pier',
      'lamp',
      'stall 2',
      'more:pier',
    ]);
    expect(rows(3)).toEqual(inOrder(here));
  });
});

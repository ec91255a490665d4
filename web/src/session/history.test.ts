import { beforeEach, describe, expect, it } from 'vitest';
import type { Delta } from '../core/types';
import { forgotten, noted, step, useHistory } from './history';

/** A change that tells itself from others by one word. */
const does = (id: string): Delta => ({ fields: [{ id, path: [], from: 0, to: 1 }], added: [], removed: [] });
const word = (d: Delta) => d.fields[0].id;
const done = (label: string) => ({ label, change: does(`did ${label}`) });
const labels = (way: 'undo' | 'redo') => useHistory.getState()[way].map((d) => d.label);
const back = (d: { change: Delta }) => ({ change: does(`undid ${word(d.change)}`), left: [] });
const turned = (change: Delta) => does(word(change).replace('undid ', ''));

describe('the history', () => {
  beforeEach(forgotten);

  it('takes back in reverse order and makes again in order', () => {
    for (const l of ['a', 'b', 'c']) noted(done(l));
    expect(step('undo', back, turned)?.label).toBe('c');
    expect(step('undo', back, turned)?.label).toBe('b');
    expect([labels('undo'), labels('redo')]).toEqual([['a'], ['c', 'b']]);
    expect(step('redo', (d) => ({ change: d.change, left: [] }), turned)?.label).toBe('b');
    expect([labels('undo'), labels('redo')]).toEqual([['a', 'b'], ['c']]);
    expect(word(useHistory.getState().undo.at(-1)!.change)).toBe('did b');
  });

  it('forgets what was taken back when something else is made', () => {
    noted(done('a'));
    step('undo', back, turned);
    noted(done('b'));
    expect([labels('undo'), labels('redo')]).toEqual([['b'], []]);
  });

  it('leaves all as it is where taking back was refused', () => {
    noted(done('a'));
    expect(step('undo', () => undefined, turned)).toBeUndefined();
    expect([labels('undo'), labels('redo')]).toEqual([['a'], []]);
    expect(step('redo', back, turned)).toBeUndefined();
  });

  it('gives up an edit of which others left nothing, and tells what stays', () => {
    noted(done('a'));
    const r = step('undo', () => ({ change: null, left: ['the lens'] }), turned);
    expect(r).toEqual({ label: 'a', change: null, left: ['the lens'] });
    expect([labels('undo'), labels('redo')]).toEqual([[], []]);
  });

  it('keeps the last five hundred', () => {
    for (let i = 0; i < 600; i++) noted(done(`${i}`));
    expect([labels('undo').length, labels('undo')[0]]).toEqual([500, '100']);
  });
});

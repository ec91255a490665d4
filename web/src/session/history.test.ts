import { beforeEach, describe, expect, it } from 'vitest';
import { forgotten, noted, step, useHistory } from './history';

const done = (label: string) => ({ label, change: `did ${label}` });
const labels = (way: 'undo' | 'redo') => useHistory.getState()[way].map((d) => d.label);
const back = (d: { change: string }) => ({ change: `undid ${d.change}`, left: [] });
const turned = (change: string) => change.replace('undid ', '');

describe('the history', () => {
  beforeEach(forgotten);

  it('takes back in reverse order and makes again in order', () => {
    for (const l of ['a', 'b', 'c']) noted(done(l));
    expect(step('undo', back, turned)?.label).toBe('c');
    expect(step('undo', back, turned)?.label).toBe('b');
    expect([labels('undo'), labels('redo')]).toEqual([['a'], ['c', 'b']]);
    expect(step('redo', (d) => ({ change: d.change, left: [] }), turned)?.label).toBe('b');
    expect([labels('undo'), labels('redo')]).toEqual([['a', 'b'], ['c']]);
    expect(useHistory.getState().undo.at(-1)!.change).toBe('did b');
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
    const r = step('undo', () => ({ change: '', left: ['the lens'] }), turned);
    expect(r).toEqual({ label: 'a', change: '', left: ['the lens'] });
    expect([labels('undo'), labels('redo')]).toEqual([[], []]);
  });

  it('keeps the last five hundred', () => {
    for (let i = 0; i < 600; i++) noted(done(`${i}`));
    expect([labels('undo').length, labels('undo')[0]]).toEqual([500, '100']);
  });
});

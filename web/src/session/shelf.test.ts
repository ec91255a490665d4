import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { PendingEdit } from './outbox';
import { shelve, shelved } from './shelf';

const edit: PendingEdit = {
  id: 'e1',
  label: 'Remove the bollard',
  commands: [{ kind: 'remove', ids: ['bollard'], letGo: false }],
};
const never = () => expect.unreachable();

describe('what waits to be sent', () => {
  const kept = new Map<string, string>();
  beforeEach(() => {
    kept.clear();
    vi.stubGlobal('localStorage', {
      getItem: (k: string) => kept.get(k) ?? null,
      setItem: (k: string, v: string) => kept.set(k, v),
      removeItem: (k: string) => kept.delete(k),
    });
  });

  it('is read again as it was kept', () => {
    shelve('s', [edit]);
    expect(shelved('s', never)).toEqual([edit]);
    shelve('s', []);
    expect(shelved('s', never)).toEqual([]);
  });

  it('is read as builds before kept it, the commands as text', () => {
    const commands = JSON.stringify({ commands: edit.commands });
    kept.set('jolly-kite.unsaved.s', JSON.stringify([{ ...edit, commands }]));
    expect(shelved('s', never)).toEqual([edit]);
  });

  it('is put aside and told where it cannot be read', () => {
    const text = JSON.stringify([{ ...edit, commands: '{"commands": [' }]);
    kept.set('jolly-kite.unsaved.s', text);
    const told = vi.fn();
    expect(shelved('s', told)).toEqual([]);
    expect(told).toHaveBeenCalledOnce();
    expect(kept.get('jolly-kite.unsaved.s.unreadable')).toBe(text);
  });
});

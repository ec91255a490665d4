import { beforeEach, expect, test, vi } from 'vitest';
import { Refused } from '../core/answer';
import type { Change, Command, Entity } from '../core/types';
import { laidOnce, Laying } from './laying';
import { useSequence } from './state';

const core = { layMore: vi.fn(), dropLaid: vi.fn(), planLaid: vi.fn() };
const page = {
  preview: vi.fn<(...all: unknown[]) => boolean>(() => true),
  previewLaid: vi.fn<(...all: unknown[]) => boolean>(() => true),
  previewing: vi.fn(() => false),
};

vi.mock('../core/load', () => ({ theCore: () => core }));
vi.mock('./document', () => ({
  preview: (...all: unknown[]) => page.preview(...all),
  previewLaid: (...all: unknown[]) => page.previewLaid(...all),
  previewing: () => page.previewing(),
}));

const add = (id: string): Command => ({ kind: 'add', entity: { id } as Entity });
const refusal = new Refused({ code: 'missing', entity: '', field: '', text: 'Not yet.' });

/** What a core would answer to additions: it takes a child once its parent has come, and says what is otherwise than it was said. */
function takes(commands: Command[]): { change: Change; asSaid: string[] } {
  const ids = commands.map((c) => (c as { entity: Entity }).entity.id);
  if (ids.includes('child') && !ids.includes('parent')) throw refusal;
  const after: Record<string, Entity> = {};
  if (ids.includes('x')) after.x = { id: 'x', name: 'as the core has it' } as Entity;
  const change = { before: {}, after, headerBefore: null, headerAfter: null };
  return { change, asSaid: ids.filter((id) => id !== 'x') };
}

beforeEach(() => {
  vi.clearAllMocks();
  core.layMore.mockImplementation(takes);
  page.previewing.mockReturnValue(false);
});

test('pieces are laid as they come, and shown together', async () => {
  const laying = new Laying();
  laying.more([add('a')]);
  laying.more([add('b'), add('c')]);
  expect(core.layMore).not.toHaveBeenCalled(); // the page comes first
  expect(await laying.show('Recipe')).toBe(true);
  expect(core.layMore.mock.calls.map(([c]) => (c as Command[]).length)).toEqual([1, 2]);
  const [[label, commands, change]] = page.previewLaid.mock.calls as unknown as [[string, Command[], Change]];
  expect(label).toBe('Recipe');
  expect(commands).toHaveLength(3);
  expect(Object.keys(change.after)).toEqual(['a', 'b', 'c']);
});

test('what is refused alone is taken with what comes after it', async () => {
  const laying = new Laying();
  laying.more([add('child')]);
  laying.more([add('x'), add('parent')]);
  expect(await laying.show('Recipe')).toBe(true);
  const [[, , change]] = page.previewLaid.mock.calls as unknown as [[string, Command[], Change]];
  expect(change.after).toEqual({
    child: { id: 'child' },
    parent: { id: 'parent' },
    x: { id: 'x', name: 'as the core has it' },
  });
});

test('what nothing makes whole is refused at the end, and nothing is left', async () => {
  const laying = new Laying();
  laying.more([add('a')]);
  laying.more([add('child')]);
  await expect(laying.show('Recipe')).rejects.toThrow('Not yet.');
  expect(core.dropLaid).toHaveBeenCalledOnce();
  expect(page.previewLaid).not.toHaveBeenCalled();
});

test('where somebody edits meanwhile it is made anew on what there is then', async () => {
  const laying = new Laying();
  laying.more([add('a')]);
  useSequence.setState((s) => ({ version: s.version + 1 }));
  laying.more([add('b')]);
  expect(await laying.show('Recipe')).toBe(true);
  expect(core.layMore).not.toHaveBeenCalled();
  expect(page.preview).toHaveBeenCalledWith('Recipe', add('a'), add('b'));
});

test('a handle that is taken while all of it is compiled is not let go', async () => {
  const laying = new Laying();
  laying.more([add('a')]);
  core.planLaid.mockImplementationOnce(() => page.previewing.mockReturnValue(true));
  expect(await laying.show('Recipe')).toBe(true);
  expect(page.previewLaid).not.toHaveBeenCalled();
  expect(page.preview).toHaveBeenCalledWith('Recipe', add('a'));
});

test('what is laid once is taken away at once, also where it is refused', () => {
  laidOnce([add('a')]);
  expect(core.layMore).toHaveBeenCalledOnce();
  expect(core.dropLaid).toHaveBeenCalledOnce();
  laidOnce([add('child')]);
  expect(core.dropLaid).toHaveBeenCalledTimes(2);
});

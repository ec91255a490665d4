import { beforeEach, expect, test } from 'vitest';
import type { QuickJSWASMModule } from 'quickjs-emscripten-core';
import type { Core } from '../../core/bridge';
import { Refused } from '../../core/answer';
import type { Command, SequenceDocument } from '../../core/types';
import type { Ran, Run } from './answer';
import { loadMachine, run } from './engine';
import { LIMITS } from './limits';

let machine: QuickJSWASMModule;
beforeEach(async () => void (machine = await loadMachine()));

const DOCUMENT = { format: 1, header: { firstFrame: 1001, lastFrame: 1100 }, entities: [] };

/** Stands in for the core: takes everything but what is called bad. */
function coreThat(applied: Command[][] = []): Core {
  const check = (all: Command[]) => {
    if (all.some((c) => c.kind === 'rename' && c.name === 'bad'))
      throw new Refused({ code: 'x', entity: '', field: '', text: 'It is refused.' });
  };
  return {
    open: () => {},
    apply: (all: Command[]) => {
      check(all);
      applied.push(all);
      const after = Object.fromEntries(
        all.flatMap((c) => (c.kind === 'add' ? [[c.entity.id, c.entity]] : [])),
      );
      return { change: { before: {}, after, headerAfter: null }, delta: null };
    },
    preview: check,
    endPreview: () => {},
    readNumber: (text: string) => (text === '6ft' ? 1.8288 : NaN),
    freeLetter: () => 'A',
    poses: (_: string, __: number[], out: Float64Array) => out.set([7, 8, 9], 12),
  } as unknown as Core;
}

const ASKED: Run = {
  code: '',
  name: 'recipe.ts',
  document: DOCUMENT as unknown as SequenceDocument,
  models: {},
  chosen: {},
  seed: 1,
  now: { frame: 1001, camera: '', selected: [] },
};

function ran(code: string, more: Partial<Run> = {}, core = coreThat()): Ran {
  return run(machine, core, { ...ASKED, code, ...more }, { line: () => {}, progress: () => {} });
}

test('what is made is one edit, taken when something is asked or at the end', () => {
  const applied: Command[][] = [];
  const r = ran(
    `const a = kite.standIn('box', 'One', { width: '6ft' });
     const b = kite.standIn('adult', 'Two');
     const where = a.where(1010);
     b.set('x', 2);
     console.log(where, a.name);
     where[1] + 1`,
    {},
    coreThat(applied),
  );
  expect(r.fault).toBeNull();
  expect(r.commands.map((c) => c.kind)).toEqual(['add', 'add', 'setChannel']);
  expect(applied.map((a) => a.length)).toEqual([2, 1]);
  expect(r.commands[0]).toMatchObject({ entity: { shape: { width: 1.8288, height: 1 } } });
  expect(r.said.map((l) => l.text)).toEqual(['[7, 8, 9] One']);
  expect(r.value).toBe('9');
});

test('what is told piece by piece is what is made in one go, in the same order', () => {
  const code = `const all = []
    for (let i = 0; i < 450; i++) {
      all.push(kite.standIn('box', 'B' + i, { at: [kite.random(), 0, 0] }));
      if (i % 97 === 0) all[i].set('y', i);
      if (i === 300) kite.mark('here', [0, 1, 0], { rides: all[299] });
    }
    kite.group(all[3].name);
    'its value asks for nothing'`;
  const pieces: Command[][] = [];
  const asked = { ...ASKED, code };
  const r = run(machine, coreThat(), asked, {
    line: () => {},
    progress: () => {},
    made: (commands) => pieces.push(commands),
  });
  expect(r.fault).toBeNull();
  expect(r.commands).toEqual([]);
  expect(pieces.length).toBeGreaterThan(1);
  const whole = ran(code);
  expect(whole.commands.map((c) => c.kind).filter((k) => k !== 'add')).toHaveLength(5);
  expect(pieces.flat()).toEqual(whole.commands);
});

test('ids are new in the sequence', () => {
  const first = ran(`kite.standIn('box', 'One')\nkite.standIn('box', 'Two')`).commands;
  const [one, two] = first.map((c) => (c.kind === 'add' ? c.entity.id : ''));
  const document = { ...DOCUMENT, entities: [{ id: one, name: 'One', kind: 'group' }] };
  const more = { document: document as unknown as SequenceDocument };
  const next = ran(`kite.standIn('box', 'One')`, more).commands;
  expect(next).toMatchObject([{ entity: { id: two } }]);
});

test('the same seed makes the same, another does not', () => {
  const code = `kite.standIn('box', String(Math.random() + kite.random(1, 5)))`;
  const [a, again, other] = [ran(code), ran(code), ran(code, { seed: 2 })];
  expect(again.commands).toEqual(a.commands);
  expect(other.commands).not.toEqual(a.commands);
});

test('a refused command says its line and leaves nothing, caught or not', () => {
  const code = (end: string) =>
    `const a = kite.standIn('box', 'One')\na.rename('good')\n\na.rename('bad')\na.rename('late')\n${end}`;
  for (const end of ['', 'try { a.name } catch {}'])
    expect(ran(code(end))).toMatchObject({ commands: [], fault: { line: 4, text: 'It is refused.' } });
});

test('what is refused before it is told says the line that made it, too', () => {
  for (const end of ['a.name', '1 + 1\na.where(1)', '', 'void 0']) {
    const said: string[] = [];
    const asked = {
      ...ASKED,
      code: `const a = kite.standIn('box', 'One')\nconsole.log('hello')\na.rename('bad')\n${end}`,
    };
    const telling = { line: (l: { text: string }) => said.push(l.text), progress: () => {}, made: () => {} };
    const r = run(machine, coreThat(), asked, telling);
    if (end !== 'void 0')
      expect(r).toMatchObject({ commands: [], fault: { line: 3, text: 'It is refused.' } });
    else expect(r.fault).toBeNull(); // it asks nothing: whoever is told takes it upon himself
    expect(said).toEqual(['hello']);
  }
});

test('faults say their line', () => {
  expect(ran('const a = 1\nnothing.here').fault).toEqual({ line: 2, text: "'nothing' is not defined" });
  expect(ran('\n\nconst = 1').fault?.line).toBe(3);
  expect(ran(`\nkite.find('Pim')`).fault).toEqual({ line: 2, text: 'There is nothing called “Pim”.' });
});

test.each([
  'fetch("x")',
  'indexedDB',
  'document.title',
  'process.exit()',
  'require("fs")',
  'new Date()',
  'self',
])('%s is not there', (code) => {
  const r = ran(`kite.standIn('box', 'One')\n${code}`);
  expect(r.commands).toEqual([]);
  expect(r.fault?.line).toBe(2);
  expect(r.fault?.text).toMatch(/only kite/);
});

test('nothing leads out of it', () => {
  for (const code of [
    `import('node:fs')`,
    `Function('return process')()`,
    `({}).constructor.constructor('return globalThis.process.env')()`,
    `Object.prototype.kind = 'open'; kite.ask.open({})`,
    `kite.ask.constructor('x')`,
    `kite.ask.__proto__`,
    `__outside.ask('apply', '[]')`,
    `__outside.make('x', 1)`,
  ]) {
    const r = ran(code);
    expect(r.commands, code).toEqual([]);
    expect(Object.prototype).not.toHaveProperty('kind');
  }
  expect(ran(`__outside.ask('apply', '[]')`).fault?.text).toBe('There is no question “apply”.');
});

test('what has no end is stopped in words', () => {
  expect(ran('function f() { f() }\nf()').fault?.text).toBe('It calls itself without an end.');
});

test('what is too much is stopped in words', () => {
  expect(ran('const all = []\nfor (;;) all.push(new ArrayBuffer(1e6))').fault?.text).toMatch(/memory/);
});

test('what makes too much is stopped in words', () => {
  const many = ran(
    `const one = { kind: 'rename', id: 'a', name: 'b' }\nfor (;;) kite.make(...Array(1000).fill(one))`,
  );
  expect(many.fault).toMatchObject({ line: 2 });
  expect(many.fault?.text).toMatch(/20,000 changes/);
  expect(ran(' '.repeat(LIMITS.characters + 1)).fault?.text).toMatch(/characters/);
});

test('a loop without a word is stopped, one that says how far it is goes on', () => {
  const was = performance.now;
  let now = 0;
  performance.now = () => (now += 1000);
  try {
    expect(ran('let i = 0\nwhile (true) i++').fault?.text).toMatch(/loop that never ends/);
    expect(ran('for (let i = 0; i < 3e5; i++) if (i % 100 === 0) kite.progress(i / 3e5)').fault).toBeNull();
  } finally {
    performance.now = was;
  }
});

test('parameters are asked for alone, then read', () => {
  const code = `const p = kite.parameters({
      high: kite.parameter.number('Height', '6ft', { unit: 'metres', least: 0, most: 3 }),
      way: kite.parameter.choice('Way', ['left', 'right']),
    })
    kite.standIn('box', p.way, { height: p.high })`;
  const asked = ran(code, { chosen: null });
  expect(asked.commands).toEqual([]);
  expect(asked.fault).toBeNull();
  expect(asked.declared.high).toEqual({
    form: 'number',
    label: 'Height',
    usual: 1.8288,
    unit: 'metres',
    least: 0,
    most: 3,
  });
  const r = ran(code, { chosen: { high: 2, way: 'right' } });
  expect(r.commands[0]).toMatchObject({ entity: { name: 'right', shape: { height: 2 } } });
  expect(ran(code, { chosen: { high: 9 } }).fault?.text).toMatch(/“Height” is 9/);
});

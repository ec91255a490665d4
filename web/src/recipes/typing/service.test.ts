import { expect, test } from 'vitest';
import ts from 'typescript';
import types from '../../core/types.ts?raw';
import { READY } from '../ready/index';
import { completions, described, faults, hover, stripped } from './service';

test.each(READY.map((r) => [r.id, r.text]))('%s is right in its types', (_, text) => {
  expect(faults(text)).toEqual([]);
  expect(stripped(text)).toHaveProperty('code');
});

test('what is offered is what there is, and is described', () => {
  const text = "const a = kite.camera('A');\na.fra";
  const { from, all } = completions(text, text.length);
  expect(from).toBe(text.length - 3);
  expect(all.map((c) => c.name)).toEqual(['frameUp']);
  expect(described(text, text.length, 'frameUp')).toMatch(/Puts somebody at a place of the frame/);
});

test('a word says what it means', () => {
  const said = hover("kite.standIn('box', 'One')", 7);
  expect(said?.says).toMatch(/stand-in at true scale/);
  expect(said).toMatchObject({ from: 5, to: 12 });
});

test('what is wrong says where', () => {
  const text = "kite.standIn('bocks', 'One')";
  expect(faults(text)).toMatchObject([{ from: 13, to: 20, wrong: true }]);
  expect(faults('document.title')).toMatchObject([{ from: 0, to: 8 }]);
});

test('types become blanks, so that lines stay', () => {
  expect(stripped('const a: number = 1;\ninterface X { y: 1 }\na')).toEqual({
    code: 'const a         = 1;\n                    \na',
  });
  expect(stripped('enum A { B }')).toHaveProperty('fault');
});

/** All that can be done by hand is a command, and every command can be made in a recipe. */
test('every command of the core is a word', () => {
  const file = ts.createSourceFile('types.ts', types, ts.ScriptTarget.ES2022);
  const union = file.statements.find(
    (s): s is ts.TypeAliasDeclaration => ts.isTypeAliasDeclaration(s) && s.name.text === 'Command',
  )!.type as ts.UnionTypeNode;
  const kinds = union.types.map((t) => {
    const name = (t as ts.TypeReferenceNode).typeName as ts.Identifier;
    return name.text[0].toLowerCase() + name.text.slice(1);
  });
  expect(kinds.length).toBeGreaterThan(60);
  const text = 'kite.command.';
  const offered = new Set(completions(text, text.length).all.map((c) => c.name));
  expect(kinds.filter((k) => !offered.has(k))).toEqual([]);
});

test('every question of the page that changes nothing is a word', () => {
  const text = 'kite.ask.';
  const offered = completions(text, text.length).all.map((c) => c.name);
  expect(offered).toEqual(expect.arrayContaining(['frameReport', 'lensReport', 'bakePlain', 'warnings']));
  expect(offered).not.toContain('apply');
});

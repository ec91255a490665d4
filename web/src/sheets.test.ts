import { expect, it } from 'vitest';

/** Sheets that every folder may use the classes of. */
const SHARED = ['theme', 'kit'];

const SHEETS = import.meta.glob<string>('./*/*.css', { query: '?raw', import: 'default', eager: true });
const CODE = import.meta.glob<string>('./*/*.{ts,tsx}', { query: '?raw', import: 'default', eager: true });

/** All files of a kind, together by folder. */
function byFolder(files: Record<string, string>): Map<string, string> {
  const all = new Map<string, string>();
  for (const [path, text] of Object.entries(files)) {
    const folder = path.split('/')[1];
    all.set(folder, `${all.get(folder) ?? ''}\n${text}`);
  }
  return all;
}

/** The class that each rule of a sheet begins with. */
function leading(sheet: string): Set<string> {
  const rules = sheet.replace(/\/\*.*?\*\//gs, '').replace(/@(media|container)[^{]*\{/g, '');
  const selectors = [...rules.matchAll(/([^{};]+)\{/g)].flatMap((m) => m[1].split(','));
  return new Set(selectors.flatMap((s) => /^\s*[a-z]*\.([\w-]+)/.exec(s)?.[1] ?? []));
}

/** The classes that the parts of a folder are given. */
function given(code: string): Set<string> {
  const values = [...code.matchAll(/className[=:]\s*(\{[^}]*\}|"[^"]*"|'[^']*')/g)];
  return new Set(
    values
      .flatMap((m) => m[1].match(/(["'`])(?:(?!\1).)*\1/g) ?? [])
      .flatMap((s) => s.match(/[a-zA-Z][\w-]*/g) ?? []),
  );
}

it('keeps each sheet to its folder: what a rule begins with is given there alone', () => {
  const sheets = new Map([...byFolder(SHEETS)].map(([f, text]) => [f, leading(text)]));
  const uses = new Map([...byFolder(CODE)].map(([f, text]) => [f, given(text)]));
  expect(sheets.get('home')).toContain('home-tile');
  expect(uses.get('home')).toContain('home-tile');
  const wrong: string[] = [];
  for (const [folder, own] of sheets) {
    if (SHARED.includes(folder)) continue;
    for (const c of own) {
      if (sheets.get('kit')!.has(c)) wrong.push(`.${c} of ${folder} is the kit's`);
      for (const [other, there] of uses)
        if (other !== folder && there.has(c)) wrong.push(`.${c} of ${folder} is given in ${other}`);
    }
  }
  expect(wrong).toEqual([]);
});

it('finds what it looks for', () => {
  expect([...leading('/* .no */ .a .b, div.c:hover { x: 1 } @media (x) { .d { y: 2 } }')]).toEqual([
    'a',
    'c',
    'd',
  ]);
  expect([...given('<p className={`row ${on ? "lit" : ""}`} /><i className="x y" />')]).toContain('x');
});

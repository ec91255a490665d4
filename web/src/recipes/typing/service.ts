import { createSystem, createVirtualTypeScriptEnvironment } from '@typescript/vfs';
import tsBlankSpace from 'ts-blank-space';
import ts from 'typescript';
import type { Completion, Fault, Hover } from './answer';

const libraries = import.meta.glob<string>('/node_modules/typescript/lib/lib.{es5,es20*,decorators*}.d.ts', {
  query: '?raw',
  import: 'default',
  eager: true,
});
const words = import.meta.glob<string>('../vocabulary/*.ts', {
  query: '?raw',
  import: 'default',
  eager: true,
});
const records = import.meta.glob<string>('../../core/{types,bridge,answer,usual}.ts', {
  query: '?raw',
  import: 'default',
  eager: true,
});

const RECIPE = '/recipe.ts';

const GLOBALS = `
/** What a recipe works with. */
declare const kite: import('./recipes/vocabulary/kite').Kite;
/** Says something below the recipe. */
declare const console: Record<'log' | 'info' | 'warn' | 'error', (...all: unknown[]) => void>;
`;

function files(): Map<string, string> {
  const all = new Map<string, string>();
  const put = (from: Record<string, string>, folder: string) => {
    for (const [path, text] of Object.entries(from))
      all.set(folder + path.slice(path.lastIndexOf('/')), text);
  };
  put(libraries, '');
  put(words, '/recipes/vocabulary');
  put(records, '/core');
  all.set('/globals.d.ts', GLOBALS);
  all.set(RECIPE, '\n');
  return all;
}

const OPTIONS: ts.CompilerOptions = {
  target: ts.ScriptTarget.ES2022,
  lib: ['lib.es2022.d.ts'],
  module: ts.ModuleKind.ESNext,
  moduleResolution: ts.ModuleResolutionKind.Bundler,
  moduleDetection: ts.ModuleDetectionKind.Legacy,
  strict: true,
  noEmit: true,
  types: [],
};

const environment = createVirtualTypeScriptEnvironment(
  createSystem(files()),
  [RECIPE, '/globals.d.ts'],
  ts,
  OPTIONS,
);
const service = environment.languageService;

function take(text: string): void {
  environment.updateFile(RECIPE, text || '\n');
}

/** The most that are offered at once. */
const MOST = 200;

export function completions(text: string, at: number): { from: number; all: Completion[] } {
  take(text);
  const found = service.getCompletionsAtPosition(RECIPE, at, {
    includeCompletionsWithInsertText: false,
    includeCompletionsForModuleExports: false,
  });
  const typed = /[\w$]*$/.exec(text.slice(0, at))![0];
  const all = (found?.entries ?? [])
    .filter((e) => e.kind !== ts.ScriptElementKind.warning && e.kind !== ts.ScriptElementKind.keyword)
    .filter((e) => e.name.toLowerCase().startsWith(typed.toLowerCase()))
    .slice(0, MOST)
    .map((e) => ({
      name: e.name,
      kind: e.kind,
      // what is of the language itself comes after what is ours
      last: e.sortText > '11' || undefined,
    }));
  return { from: at - typed.length, all };
}

export function described(text: string, at: number, name: string): string {
  take(text);
  const d = service.getCompletionEntryDetails(RECIPE, at, name, undefined, undefined, undefined, undefined);
  if (!d) return '';
  return [ts.displayPartsToString(d.displayParts), ts.displayPartsToString(d.documentation)]
    .filter(Boolean)
    .join('\n\n');
}

export function hover(text: string, at: number): Hover | null {
  take(text);
  const info = service.getQuickInfoAtPosition(RECIPE, at);
  if (!info) return null;
  const tags = (info.tags ?? [])
    .filter((t) => t.name === 'param')
    .map((t) => ts.displayPartsToString(t.text));
  return {
    from: info.textSpan.start,
    to: info.textSpan.start + info.textSpan.length,
    type: ts.displayPartsToString(info.displayParts),
    says: [ts.displayPartsToString(info.documentation), ...tags].filter(Boolean).join('\n'),
  };
}

export function faults(text: string): Fault[] {
  take(text);
  return [...service.getSyntacticDiagnostics(RECIPE), ...service.getSemanticDiagnostics(RECIPE)].map((d) => ({
    from: d.start ?? 0,
    to: (d.start ?? 0) + (d.length ?? 0),
    text: ts.flattenDiagnosticMessageText(d.messageText, '\n'),
    wrong: d.category === ts.DiagnosticCategory.Error,
  }));
}

/** A recipe as JavaScript: types become blanks, so that every line stays where it is. */
export function stripped(text: string): { code: string } | { fault: Fault } {
  let wrong: ts.Node | undefined;
  const code = tsBlankSpace(text, (node) => (wrong ??= node));
  if (!wrong) return { code };
  return {
    fault: {
      from: wrong.pos,
      to: wrong.end,
      text: 'This is more than a type, and not understood in a recipe: no enum, namespace or parameter property.',
      wrong: true,
    },
  };
}

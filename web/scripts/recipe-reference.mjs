// Writes docs/recipe-reference.md from the words of recipes and the core's own records; with --check it only says whether
// the file is as it would be written.
import { readFileSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import ts from 'typescript';

const at = (path) => fileURLToPath(new URL(path, import.meta.url));
const TO = at('../../docs/recipe-reference.md');
const root = at('../src/recipes/vocabulary/kite.ts');
const program = ts.createProgram([root], {
  target: ts.ScriptTarget.ES2022,
  module: ts.ModuleKind.ESNext,
  moduleResolution: ts.ModuleResolutionKind.Bundler,
  strict: true,
  noEmit: true,
  types: [],
});
const checker = program.getTypeChecker();

const source = (name) => program.getSourceFiles().find((f) => f.fileName.endsWith(name));

function exported(file, name) {
  const module = checker.getSymbolAtLocation(source(file));
  return checker.getExportsOfModule(module).find((s) => s.name === name);
}

/** What is said of something, with what is said of what is given to it. */
function says(symbol) {
  const text = ts.displayPartsToString(symbol.getDocumentationComment(checker)).replace(/\s+/g, ' ');
  const given = symbol
    .getJsDocTags(checker)
    .filter((t) => t.name === 'param')
    .map((t) => ts.displayPartsToString(t.text).replace(/\s+/g, ' '));
  return [text, ...given].filter(Boolean).join(' — ');
}

const flags = ts.TypeFormatFlags.NoTruncation | ts.TypeFormatFlags.UseAliasDefinedOutsideCurrentScope;
const escaped = (text) => text.replace(/\|/g, '\\|').replace(/\s+/g, ' ');

/** A member with what it takes and gives, in a line of a table. */
function row(symbol, before) {
  const declaration = symbol.valueDeclaration;
  if (!declaration) return null;
  if (ts.getCombinedModifierFlags(declaration) & ts.ModifierFlags.Private) return null;
  const type = checker.getTypeOfSymbolAtLocation(symbol, declaration);
  const [signature] = type.getCallSignatures();
  const shape = signature
    ? checker.signatureToString(signature, declaration, flags)
    : `: ${checker.typeToString(type, declaration, flags)}`;
  const short = shape.length > 260 ? `${shape.slice(0, 257)}…` : shape;
  return `| \`${escaped(before + symbol.name + short)}\` | ${escaped(says(symbol))} |`;
}

function table(members, before = '') {
  return ['| word | |', '|---|---|', ...members.map((m) => row(m, before)).filter(Boolean)].join('\n');
}

function ofObject(file, name, before) {
  const symbol = exported(file, name);
  const type = checker.getTypeOfSymbolAtLocation(symbol, symbol.valueDeclaration);
  return table(type.getProperties(), before);
}

function ofClass(file, name) {
  const symbol = exported(file, name);
  const own = [...symbol.members.values()].filter((m) => m.name !== '__constructor');
  return table(own);
}

function commands() {
  const type = checker.getDeclaredTypeOfSymbol(exported('core/types.ts', 'Command'));
  const rows = type.types.map((t) => {
    const kind = t.getProperty('kind');
    const word = checker.typeToString(checker.getTypeOfSymbol(kind)).replace(/"/g, '');
    const fields = t
      .getProperties()
      .filter((p) => p.name !== 'kind')
      .map((p) => `${p.name}: ${checker.typeToString(checker.getTypeOfSymbol(p), undefined, flags)}`);
    return `| \`${escaped(`kite.command.${word}({ ${fields.join('; ')} })`)}\` |`;
  });
  return ['| command |', '|---|', ...rows.sort()].join('\n');
}

function questions() {
  const type = checker.getDeclaredTypeOfSymbol(exported('vocabulary/host.ts', 'Questions'));
  const rows = type.getProperties().map((p) => {
    const of = checker.getTypeOfSymbol(p);
    const [signature] = of.getCallSignatures();
    return `| \`${escaped(`kite.ask.${p.name}${signature ? checker.signatureToString(signature, undefined, flags) : ''}`)}\` |`;
  });
  return ['| question |', '|---|', ...rows.sort()].join('\n');
}

const text = `<!-- Written by web/scripts/recipe-reference.mjs from the words themselves; do not edit. -->
# The words of recipes

How to begin is in [recipes](recipes.md). Numbers are metres, degrees and frames, or text with a unit: \`'6ft'\`, \`'35mm'\`, \`'2s'\`. \`Amount\` is a number or such a text, \`Frames\` a frame or a number of
frames, \`At\` a place: across, up, towards the viewer. Colours are \`#rrggbb\`.

## kite

${ofObject('vocabulary/kite.ts', 'kite', 'kite.')}

## kite.cut

${ofObject('vocabulary/cut.ts', 'cut', 'kite.cut.')}

## kite.parameter

${ofObject('vocabulary/parameters.ts', 'parameter', 'kite.parameter.')}

## Every thing

${ofClass('vocabulary/things.ts', 'Thing')}

## Pieces, besides

${ofClass('vocabulary/things.ts', 'Piece')}

## Cameras, besides

${ofClass('vocabulary/camera.ts', 'Camera')}

## Rig parts

${ofClass('vocabulary/camera.ts', 'Part')}

## Attention, besides

${ofClass('vocabulary/camera.ts', 'AttentionPart')}

## Shots, besides

${ofClass('vocabulary/cut.ts', 'Shot')}

## Every command

All that is done by hand is one of these. Their fields are those of the documents ([formats](formats.md)).

${commands()}

## Every question

What the page asks its core. Those that give \`Command[]\` propose: \`kite.make(...)\` makes what they give. A \`Float64Array\` is given with room for what comes into it.

${questions()}
`;

if (process.argv.includes('--check')) {
  if (readFileSync(TO, 'utf8') !== text) {
    console.error('docs/recipe-reference.md is not what the words are. Run ./kite types.');
    process.exit(1);
  }
} else writeFileSync(TO, text);

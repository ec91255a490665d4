/**
 * Finds components and hooks that look past their arguments while they are drawn. The page is compiled to draw a component again only
 * where its arguments, or what its hooks gave, are others (vite.config.ts); what it reads of the store or asks of the core by itself,
 * or what is written into an array of numbers, is none of them and would stand still on the screen. Such a component asks by a hook
 * (useSequence, useCore, useProgramme …), or says 'use no memo'.
 */
import path from 'node:path';
import process from 'node:process';
import ts from 'typescript';

const SRC = path.resolve('src');

/** Functions that run what they are given at once. */
const AT_ONCE = new Set(
  'map filter some every find findLast findIndex flatMap sort toSorted reduce forEach from useMemo attempt atFrame'.split(
    ' ',
  ),
);

/** What reads the store or asks the core, called without a name of ours before it. */
const READS = /^(core|theCore|evaluated|[\w.]+\.getState|Date\.now|performance\.now|Math\.random)$/;

/** What the browser has that changes by itself. */
const AROUND =
  /^(document\.(activeElement|fullscreenElement|hidden|visibilityState)|navigator\.onLine|(local|session)Storage\.\w+)$/;

const isNow = (n) => ts.isNewExpression(n) && n.expression.getText() === 'Date' && !n.arguments?.length;

const isAround = (n) => ts.isPropertyAccessExpression(n) && AROUND.test(n.getText());

const config = ts.getParsedCommandLineOfConfigFile(
  'tsconfig.json',
  {},
  {
    ...ts.sys,
    onUnRecoverableConfigFileDiagnostic: (d) => {
      throw new Error(ts.flattenDiagnosticMessageText(d.messageText, '\n'));
    },
  },
);
const program = ts.createProgram(config.fileNames, config.options);
const checker = program.getTypeChecker();
const ours = (file) => file.fileName.startsWith(SRC) && !file.fileName.includes('.test.');

const isFunction = (n) =>
  ts.isFunctionDeclaration(n) || ts.isArrowFunction(n) || ts.isFunctionExpression(n) || ts.isMethodDeclaration(n);

/** The last name of what is called: `find` of `list.find`. */
const lastName = (e) => (ts.isPropertyAccessExpression(e) ? e.name.text : ts.isIdentifier(e) ? e.text : '');

function symbolOf(e) {
  const s = checker.getSymbolAtLocation(ts.isPropertyAccessExpression(e) ? e.name : e);
  return s && s.flags & ts.SymbolFlags.Alias ? checker.getAliasedSymbol(s) : s;
}

/** The function of ours that is called, or undefined. */
function calledFunction(call) {
  const d = symbolOf(call.expression)?.valueDeclaration;
  if (!d || !ours(d.getSourceFile())) return undefined;
  if (ts.isFunctionDeclaration(d) || ts.isMethodDeclaration(d)) return d;
  return (ts.isVariableDeclaration(d) || ts.isPropertyAssignment(d)) && d.initializer && isFunction(d.initializer)
    ? d.initializer
    : undefined;
}

/**
 * All that stands in a function and runs when it does: not what it hands on to run later.
 *
 * @param given how many arguments it is called with: what else those would be is not looked at
 */
function running(fn, given, see) {
  const visit = (n) => {
    if (
      isFunction(n) &&
      !(ts.isCallExpression(n.parent) && (n.parent.expression === n || AT_ONCE.has(lastName(n.parent.expression))))
    )
      return;
    see(n);
    ts.forEachChild(n, visit);
  };
  fn.parameters.slice(given).forEach(visit);
  if (fn.body) visit(fn.body);
}

/** Whether a name is that of a variable of a file, which may be another the next time. */
function changing(id) {
  const v = symbolOf(id)?.valueDeclaration;
  if (!v || !ts.isVariableDeclaration(v) || !ours(v.getSourceFile())) return false;
  const list = v.parent;
  return (
    ts.isVariableStatement(list.parent) && ts.isSourceFile(list.parent.parent) && !(list.flags & ts.NodeFlags.Const)
  );
}

const isHook = (name) => /^use[A-Z]/.test(name);
const known = new Map();

/** Through which names a place in the text comes to what may be another the next time; '' where it does not. */
function looksAt(n, within) {
  if (isNow(n) || isAround(n) || (ts.isIdentifier(n) && changing(n))) return n.getText();
  if (!ts.isCallExpression(n)) return '';
  const name = n.expression.getText();
  if (READS.test(name) || (name === 'get' && !n.arguments.length)) return name;
  const called = isHook(name) ? undefined : calledFunction(n);
  const way = called ? looks(called, n.arguments.length, within) : '';
  return way && `${name} → ${way}`;
}

/** The same of a function, called with so many arguments. */
function looks(fn, given, within = new Set()) {
  const call = `${fn.getSourceFile().fileName}:${fn.pos}:${given}`;
  if (known.has(call)) return known.get(call);
  if (within.has(call)) return '';
  within.add(call);
  let way = '';
  running(fn, given, (n) => (way ||= looksAt(n, within)));
  known.set(call, way);
  return way;
}

/** Where something stands, for who mends it. */
function placeOf(n) {
  const file = n.getSourceFile();
  return `${path.relative('.', file.fileName)}:${file.getLineAndCharacterOfPosition(n.getStart()).line + 1}`;
}

const saysSo = (fn) =>
  fn.body &&
  ts.isBlock(fn.body) &&
  fn.body.statements.some((s) => ts.isExpressionStatement(s) && s.getText().startsWith("'use no memo'"));

/** What a component or hook looks at by itself, each with its place. */
function found(fn) {
  const all = [];
  running(fn, 0, (n) => {
    const numbers = ts.isNewExpression(n) && /^(Float|Int|Uint)\d+Array$/.test(n.expression.getText());
    const what = numbers ? n.expression.getText() : looksAt(n);
    if (what) all.push(`${placeOf(n)} ${what}`);
  });
  return all;
}

/** Where something stands that a name belongs to. */
const declared = (id) => symbolOf(id)?.valueDeclaration;

const isWithin = (n, outer) => {
  for (let at = n; at; at = at.parent) if (at === outer) return true;
  return false;
};

/**
 * What is said to be there (`known!.name`) in a function that a component makes, though it may not be there yet: the compiler looks whether it
 * has changed when the component is drawn, and not first when the function is called.
 */
function tooSure(fn) {
  const all = [];
  const visit = (n, inner) => {
    const within = isFunction(n) ? n : inner;
    if (within && ts.isNonNullExpression(n) && ts.isPropertyAccessExpression(n.parent) && n.parent.expression === n) {
      let root = n.expression;
      while (ts.isPropertyAccessExpression(root)) root = root.expression;
      const at = ts.isIdentifier(root) ? declared(root) : undefined;
      if (at && isWithin(at, fn) && !isWithin(at, within) && lastName(n.expression) !== 'current')
        all.push(`${placeOf(n)} ${n.getText()} in a function`);
    }
    ts.forEachChild(n, (c) => visit(c, within));
  };
  ts.forEachChild(fn, (c) => visit(c, undefined));
  return all;
}

const faults = [];
for (const file of program.getSourceFiles().filter(ours)) {
  const visit = (n) => {
    const fn = isFunction(n) ? n : undefined;
    const name = !fn
      ? ''
      : (fn.name?.getText() ?? (ts.isVariableDeclaration(fn.parent) ? fn.parent.name.getText() : ''));
    if (fn && (isHook(name) || (/^[A-Z]/.test(name) && file.fileName.endsWith('.tsx'))) && !saysSo(fn))
      faults.push(...found(fn), ...tooSure(fn));
    ts.forEachChild(n, visit);
  };
  visit(file);
}
if (faults.length) {
  console.error(
    `These are kept as they were first drawn. Ask by a hook, or say 'use no memo' (web/src/README.md):\n${faults.map((f) => `  ${f}`).join('\n')}`,
  );
  process.exit(1);
}

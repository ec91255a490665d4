// Copies the core's WebAssembly and its runtime beside the page. The runtime as it comes makes its glue
// from strings, which our content-security policy forbids; here the same glue is put in as closures.
// Every replacement must be found, so that a newer runtime fails the build instead of the page.
import { execFileSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { copyFileSync, existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

/** What the module may use: what every browser has that has WebAssembly's garbage collection, and nothing newer. */
const FEATURES = [
  '--mvp-features',
  ...[
    'gc',
    'reference-types',
    'bulk-memory',
    'exception-handling',
    'sign-ext',
    'nontrapping-float-to-int',
    'mutable-globals',
    'multivalue',
  ].map((f) => `--enable-${f}`),
  '--disable-compact-imports',
  '--disable-custom-descriptors',
];

/**
 * Quick: TeaVM's own highest level writes the small into each place that calls it, which makes the module over half larger
 * and no quicker than this. It takes half a minute, once for each core.
 */
const LEVEL = '-O3';

const from = new URL('../../core-browser/target/core/', import.meta.url);
const to = new URL('../public/core/', import.meta.url);
let text = readFileSync(new URL('kite-core.js', from), 'utf8');

/** Replaces the stretch from `start` up to and with `end` (the first after it). */
function replace(start, end, by) {
  const a = text.indexOf(start);
  const b = end ? text.indexOf(end, a) : a + start.length;
  if (a < 0 || b < 0) throw new Error(`The runtime has changed: cannot find ${start}`);
  text = text.slice(0, a) + by + text.slice(b + end.length);
}

replace('result = new Function("return " + name + ";");', '', 'result = () => globalThis[name];');
replace('new Function("value", name + " = value;")(value);', '', 'globalThis[name] = value;');
replace(
  'function defineFunction(fn, vararg) {',
  ')(rethrowJavaAsJs, fn);\n  }',
  `function defineFunction(fn) {
    return (...p) => {
      try {
        return fn(...p);
      } catch (e) {
        rethrowJavaAsJs(e);
      }
    };
  }`,
);
replace(
  'function renameConstructor(name, c) {',
  ')(c);\n  }',
  `function renameConstructor(name, c) {
    return { [name]: function (marker, javaObject) { return c.call(this, marker, javaObject); } }[name];
  }`,
);
replace(
  'defineMethod(cls, name, fn, vararg) {',
  ')(rethrowJavaAsJs, fn);\n    }',
  `defineMethod(cls, name, fn) {
      cls.prototype[name] = function (...p) {
        try {
          return fn(this, ...p);
        } catch (e) {
          rethrowJavaAsJs(e);
        }
      };
    }`,
);
replace(
  'imports.teavmJso["createFunction" + i] = new Function(',
  ').bind(null, wrapCallFromJavaToJs);',
  `imports.teavmJso["createFunction" + i] = (...given) => {
      if (given.at(-1).trim() !== "return str;") throw new Error("The core asks for a script that is not built in: " + given.at(-1));
      return (str) => str;
    };`,
);
replace(
  'imports.teavmJso["callFunction" + i] = new Function(',
  ').bind(null, rethrowJsAsJava);',
  `imports.teavmJso["callFunction" + i] = (fn, ...p) => {
      try {
        return fn(...p);
      } catch (e) {
        rethrowJsAsJava(e);
      }
    };`,
);
replace(
  'imports.teavmJso["callMethod" + i] = new Function(',
  ').bind(null, rethrowJsAsJava, getGlobalName);',
  `imports.teavmJso["callMethod" + i] = (instance, method, ...p) => {
      try {
        return instance !== null ? instance[method](...p) : getGlobalName(method)(...p);
      } catch (e) {
        rethrowJsAsJava(e);
      }
    };`,
);
replace(
  'imports.teavmJso["construct" + i] = new Function(',
  ').bind(null, rethrowJsAsJava);',
  `imports.teavmJso["construct" + i] = (constructor, ...p) => {
      try {
        return new constructor(...p);
      } catch (e) {
        rethrowJsAsJava(e);
      }
    };`,
);
replace(
  'imports.teavmJso["arrayOf" + i] = new Function(',
  ');',
  'imports.teavmJso["arrayOf" + i] = (...p) => p;',
);
if (/new Function\(/.test(text)) throw new Error('The runtime still makes code from strings.');

mkdirSync(to, { recursive: true });
writeFileSync(new URL('kite-core.js', to), text);
copyFileSync(new URL('kite-core-node.js', from), new URL('kite-core-node.js', to));

// The module is made smaller once for each core: what is said twice is said once, what nothing reaches is left out. Nothing
// of it changes how a number is computed.
const module = new URL('kite-core.wasm', from);
const small = new URL('kite-core.wasm', to);
const of = new URL('made-small.sha256', from);
const hash = createHash('sha256').update(readFileSync(module)).update(LEVEL).digest('hex');
if (!existsSync(small) || !existsSync(of) || readFileSync(of, 'utf8') !== hash) {
  const optimise = fileURLToPath(new URL('../node_modules/binaryen/bin/wasm-opt', import.meta.url));
  execFileSync(process.execPath, [
    optimise,
    ...FEATURES,
    LEVEL,
    fileURLToPath(module),
    '-o',
    fileURLToPath(small),
  ]);
  writeFileSync(of, hash);
}

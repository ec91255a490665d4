import { autocompletion, type Completion, type CompletionContext } from '@codemirror/autocomplete';
import { indentWithTab } from '@codemirror/commands';
import { javascript } from '@codemirror/lang-javascript';
import { indentUnit } from '@codemirror/language';
import { linter, lintGutter, setDiagnostics, type Diagnostic } from '@codemirror/lint';
import { EditorState, Prec } from '@codemirror/state';
import { hoverTooltip, keymap } from '@codemirror/view';
import { basicSetup, EditorView } from 'codemirror';
import { useEffect, useRef } from 'react';
import { openWindow } from '../session/windows';
import { look } from './look';
import { typing } from './typing/typing';

/** How long after the last letter what is wrong is looked for. */
const LATER_MS = 500;

/** What kinds of words are drawn as. */
const KINDS: Record<string, string> = {
  method: 'method',
  property: 'property',
  getter: 'property',
  const: 'constant',
  let: 'variable',
  var: 'variable',
  function: 'function',
  class: 'class',
  string: 'enum',
};

async function offered(context: CompletionContext) {
  const word = context.matchBefore(/[\w$]*/);
  const before = context.state.sliceDoc(
    Math.max(0, (word?.from ?? context.pos) - 1),
    word?.from ?? context.pos,
  );
  if (!context.explicit && word?.text === '' && !'.\'"'.includes(before || ' ')) return null;
  const text = context.state.doc.toString();
  const at = context.pos;
  const { from, all } = await typing.completions(text, at);
  if (context.aborted) return null;
  return {
    from,
    options: all.map((c): Completion => ({
      label: c.name,
      type: KINDS[c.kind] ?? 'text',
      boost: c.last ? -10 : 0,
      info: async () => {
        const says = await typing.described(text, at, c.name);
        const dom = document.createElement('div');
        dom.className = 'recipe-tip';
        dom.textContent = says;
        return { dom };
      },
    })),
    validFor: /^[\w$]*$/,
  };
}

const meanings = hoverTooltip(async (view, pos) => {
  const said = await typing.hover(view.state.doc.toString(), pos);
  if (!said) return null;
  return {
    pos: said.from,
    end: said.to,
    create: () => {
      const dom = document.createElement('div');
      dom.className = 'recipe-tip';
      const type = dom.appendChild(document.createElement('code'));
      type.textContent = said.type;
      if (said.says) dom.appendChild(document.createElement('p')).textContent = said.says;
      return { dom };
    },
  };
});

const wrong = linter(
  async (view): Promise<Diagnostic[]> => {
    const length = view.state.doc.length;
    return (await typing.faults(view.state.doc.toString())).map((f) => ({
      from: Math.min(f.from, length),
      to: Math.min(f.to, length),
      severity: f.wrong ? 'error' : 'warning',
      message: f.text,
    }));
  },
  { delay: LATER_MS },
);

/** What else may be done with the editor. */
export interface Held {
  /** The lines that are chosen, or '' where none are. */
  chosen(): string;
  /** Shows where a recipe failed. */
  fault(line: number, text: string): void;
  /** Puts lines at the end. */
  append(lines: string): void;
}

/** Where a recipe is written. */
export function Editor({
  text,
  readOnly,
  onChange,
  onTry,
  onKeep,
  held,
}: {
  text: string;
  readOnly: boolean;
  onChange: (text: string) => void;
  onTry: () => void;
  onKeep: () => void;
  held: (h: Held | null) => void;
}) {
  const place = useRef<HTMLDivElement>(null);
  const view = useRef<EditorView | null>(null);
  const latest = useRef({ onChange, onTry, onKeep, held });
  useEffect(() => {
    latest.current = { onChange, onTry, onKeep, held };
  });
  useEffect(() => {
    const v = new EditorView({
      parent: place.current!,
      state: EditorState.create({
        doc: text,
        extensions: [
          Prec.highest(
            keymap.of([
              { key: 'Mod-Enter', run: () => (latest.current.onTry(), true) },
              { key: 'Mod-Shift-Enter', run: () => (latest.current.onKeep(), true) },
              { key: 'Mod-k', run: () => (openWindow({ kind: 'commands' }), true) },
            ]),
          ),
          basicSetup,
          keymap.of([indentWithTab]),
          indentUnit.of('  '),
          javascript({ typescript: true }),
          autocompletion({ override: [offered], closeOnBlur: true }),
          meanings,
          wrong,
          lintGutter(),
          look,
          EditorView.lineWrapping,
          EditorState.readOnly.of(readOnly),
          EditorView.contentAttributes.of({ 'aria-label': 'Recipe' }),
          EditorView.updateListener.of((u) => {
            if (u.docChanged) latest.current.onChange(u.state.doc.toString());
          }),
        ],
      }),
    });
    view.current = v;
    latest.current.held({
      chosen: () => v.state.sliceDoc(v.state.selection.main.from, v.state.selection.main.to),
      fault: (line, message) => {
        if (line < 1 || line > v.state.doc.lines) return;
        const at = v.state.doc.line(line);
        v.dispatch(setDiagnostics(v.state, [{ from: at.from, to: at.to, severity: 'error', message }]), {
          effects: EditorView.scrollIntoView(at.from, { y: 'center' }),
        });
      },
      append: (lines) => {
        const end = v.state.doc.length;
        const begin = end && v.state.sliceDoc(end - 1) !== '\n' ? '\n' : '';
        v.dispatch({
          changes: { from: end, insert: `${begin}${lines}\n` },
          effects: EditorView.scrollIntoView(end),
        });
      },
    });
    return () => {
      latest.current.held(null);
      v.destroy();
    };
    // another text comes with another key
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  return <div className="recipe-editor" ref={place} onKeyDown={(e) => e.stopPropagation()} />;
}

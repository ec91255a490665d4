import { HighlightStyle, syntaxHighlighting } from '@codemirror/language';
import { tags } from '@lezer/highlight';
import { EditorView } from '@codemirror/view';
import { mono, palette } from '../theme/tokens';

const words = HighlightStyle.define([
  { tag: [tags.comment], color: palette.slate, fontStyle: 'italic' },
  { tag: [tags.keyword, tags.operatorKeyword, tags.modifier], color: palette.lilac },
  { tag: [tags.string, tags.special(tags.string)], color: palette.marigold },
  { tag: [tags.number, tags.bool, tags.null], color: palette.coral },
  { tag: [tags.function(tags.variableName), tags.function(tags.propertyName)], color: palette.teal },
  { tag: [tags.typeName, tags.className], color: palette.soft },
]);

const face = EditorView.theme(
  {
    '&': { height: '100%', color: palette.paper, background: palette.deep, fontSize: '12.5px' },
    '&.cm-focused': { outline: `1px solid ${palette.line}` },
    '.cm-scroller': { fontFamily: mono, lineHeight: '1.55' },
    '.cm-content': { caretColor: palette.paper },
    '.cm-cursor': { borderLeftColor: palette.paper },
    '.cm-gutters': { background: palette.deep, color: palette.slate, border: 'none' },
    '.cm-activeLine, .cm-activeLineGutter': { background: palette.panel },
    '&.cm-focused .cm-selectionBackground, .cm-selectionBackground': {
      background: `${palette.line} !important`,
    },
    '.cm-matchingBracket': { background: `${palette.line} !important`, outline: 'none' },
    '.cm-tooltip': {
      background: palette.raised,
      color: palette.paper,
      border: `1px solid ${palette.line}`,
      borderRadius: '8px',
      maxWidth: '420px',
    },
    '.cm-tooltip-autocomplete ul li[aria-selected]': { background: palette.teal, color: palette.onAccent },
    '.cm-completionInfo': { whiteSpace: 'pre-wrap', padding: '6px 10px' },
    '.cm-panels': { background: palette.panel, color: palette.paper },
    '.cm-panel input, .cm-panel button': { color: palette.paper, background: palette.button },
    '.cm-diagnostic': { fontFamily: 'inherit', whiteSpace: 'pre-wrap' },
    '.cm-diagnostic-error': { borderLeftColor: palette.coral },
  },
  { dark: true },
);

export const look = [face, syntaxHighlighting(words)];

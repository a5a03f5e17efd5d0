'use client';

import { acceptCompletion, autocompletion, type CompletionContext } from '@codemirror/autocomplete';
import { yaml } from '@codemirror/lang-yaml';
import { HighlightStyle, syntaxHighlighting } from '@codemirror/language';
import { type Diagnostic, lintGutter, setDiagnostics } from '@codemirror/lint';
import { EditorView, keymap } from '@codemirror/view';
import { tags } from '@lezer/highlight';
import CodeMirror, { type ReactCodeMirrorRef } from '@uiw/react-codemirror';
import { useEffect, useImperativeHandle, useMemo, useRef, useState } from 'react';
import { type SourceProps } from './source';
import { netlistLanguage } from './netlistLanguage';

const colours = syntaxHighlighting(
  HighlightStyle.define([
    { tag: tags.comment, color: 'var(--soft)', fontStyle: 'italic' },
    {
      tag: [tags.propertyName, tags.keyword, tags.definition(tags.propertyName)],
      color: 'var(--petrol)',
      fontWeight: '700',
    },
    { tag: tags.typeName, color: 'var(--petrol)', fontWeight: '700' },
    { tag: [tags.number, tags.bool], color: 'var(--copper-deep)' },
    { tag: tags.string, color: 'var(--ink)' },
    { tag: tags.invalid, color: 'var(--high)' },
  ]),
);

const look = EditorView.theme({
  '&': {
    flex: '1',
    minHeight: '220px',
    color: 'var(--ink)',
    backgroundColor: 'var(--field)',
    border: '1px solid var(--line)',
    borderRadius: '8px',
    fontSize: '13px',
  },
  '&.cm-focused': { outline: '2.5px solid var(--copper)', outlineOffset: '2px' },
  '.cm-scroller': { fontFamily: "'Atkinson Hyperlegible Mono', ui-monospace, monospace", lineHeight: '18px' },
  '.cm-content': { caretColor: 'var(--copper)' },
  '.cm-cursor': { borderLeftColor: 'var(--copper)', borderLeftWidth: '2.5px' },
  '.cm-gutters': { color: 'var(--soft)', backgroundColor: 'var(--paper)', borderRight: '1px solid var(--line)' },
  '.cm-activeLine, .cm-activeLineGutter': { backgroundColor: 'var(--petrol-tint)' },
  '&.cm-focused .cm-selectionBackground, .cm-selectionBackground': { backgroundColor: 'var(--copper-tint) !important' },
  '.cm-tooltip': { color: 'var(--ink)', backgroundColor: 'var(--sheet)', border: '1px solid var(--line)' },
  '.cm-tooltip-autocomplete ul li[aria-selected]': { color: 'var(--on-copper)', backgroundColor: 'var(--copper)' },
  '.cm-panels': { color: 'var(--ink)', backgroundColor: 'var(--sheet)' },
});

/** A word may be completed from its second letter on. */
const word = /[\w.-]{2,}/;

/** The text of a sheet or netlist in an editor: coloured, completed, with what is wrong beside its line. */
export function SourceText({ label, value, language, words, troubles, onChange, ref }: SourceProps) {
  const editor = useRef<ReactCodeMirrorRef>(null);
  const [view, setView] = useState<EditorView>();
  useImperativeHandle(ref, () => ({
    goTo(line) {
      const current = editor.current?.view;
      if (!current) return;
      const at = current.state.doc.line(Math.min(Math.max(1, line), current.state.doc.lines));
      current.dispatch({ selection: { anchor: at.from, head: at.to }, scrollIntoView: true });
      current.focus();
    },
  }));
  const extensions = useMemo(() => {
    const complete = (context: CompletionContext) => {
      const typed = context.matchBefore(word);
      if (!typed) return null;
      return {
        from: typed.from,
        options: words(context.state.doc.toString()).map((name) => ({ label: name })),
        validFor: /^[\w.-]*$/,
      };
    };
    return [
      language === 'yaml' ? yaml() : netlistLanguage,
      autocompletion({ override: [complete] }),
      keymap.of([{ key: 'Tab', run: acceptCompletion }]),
      EditorView.contentAttributes.of({ 'aria-label': label, spellcheck: 'false' }),
      EditorView.lineWrapping,
      lintGutter(),
      colours,
      look,
    ];
  }, [language, label, words]);
  useEffect(() => {
    if (!view) return;
    const { doc } = view.state;
    const marks = troubles.map(({ line, message, severity }): Diagnostic => {
      const { from, to } = doc.line(Math.min(Math.max(1, line), doc.lines));
      return { from, to, message, severity };
    });
    view.dispatch(setDiagnostics(view.state, marks));
  }, [view, troubles, value]);
  return (
    <CodeMirror
      ref={editor}
      value={value}
      theme="none"
      style={{ display: 'contents' }}
      indentWithTab={false}
      basicSetup={{ autocompletion: false, foldGutter: language === 'yaml', lintKeymap: false }}
      extensions={extensions}
      onCreateEditor={setView}
      onChange={onChange}
    />
  );
}

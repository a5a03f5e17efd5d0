import { StreamLanguage } from '@codemirror/language';

/** Marks the words of a netlist: remarks, directives, elements by their first letter, values. */
export const netlistLanguage = StreamLanguage.define<{ first: boolean }>({
  name: 'netlist',
  startState: () => ({ first: true }),
  token(stream, state) {
    if (stream.sol()) state.first = true;
    if (stream.eatSpace()) return null;
    const first = state.first;
    state.first = false;
    if (first && stream.match(/^\*.*/)) return 'comment';
    if (stream.match(/^;.*/)) return 'comment';
    if (first && stream.match(/^\.\w+/)) return 'keyword';
    if (first && stream.match(/^\+/)) return 'operator';
    if (first && stream.match(/^[\w.]+/)) return 'typeName';
    if (stream.match(/^[+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?[a-zµΩ]*\b/i)) return 'number';
    if (stream.match(/^[\w.]+(?=\s*=)/)) return 'propertyName';
    if (stream.match(/^(?:'[^']*'|\{[^}]*\})/)) return 'string';
    if (!stream.match(/^[\w.]+/)) stream.next();
    return null;
  },
  languageData: { commentTokens: { line: '*' } },
});

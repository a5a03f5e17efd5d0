import * as yup from 'yup';
import { withConnector } from '../../behaviour';
import { Refusal } from '../../quantity';
import { type LineKind, type LineOf, name } from '../line';

const fields = yup.object({ connector: name(), pulled: yup.boolean().required() });

/** A connector pulled or put back. */
export type ConnectorLine = LineOf<'connector', typeof fields>;

export const connector: LineKind<ConnectorLine> = {
  work: 'measuring',
  fields,
  unknown: ({ connector: id }, { sheet }) =>
    sheet.connectors.has(id) ? undefined : `${sheet.title} has no connector "${id}"`,
  fold(bench, { connector: id, pulled }) {
    bench.context = withConnector(bench.context, id, pulled);
  },
  said: ({ connector: id, pulled }) => `${id} ${pulled ? 'pulled' : 'back'}`,
  typed([verb, typed, ...more], { sheet, typed: words }) {
    if ((verb !== 'unplug' && verb !== 'plug') || typed === undefined || more.length > 0) return undefined;
    const ids = [...sheet.connectors.keys()];
    const id = ids.find((one) => one.toLowerCase() === typed);
    if (id === undefined) throw new Refusal(`${sheet.title} has no connector "${words[1]}"; it has ${ids.join(', ')}`);
    return { kind: 'connector', connector: id, pulled: verb === 'unplug' };
  },
};

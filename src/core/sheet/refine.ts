import { isMap, parseDocument } from 'yaml';
import { type Source } from './words';

/** What is written of a point: only what is given, the rest stands as it was. */
export interface PointValues {
  readonly measure?: 'dc';
  readonly net?: string;
  readonly where?: string;
  /** With its unit, as it is typed. */
  readonly expect?: string;
  readonly source?: Source;
}

/**
 * A sheet's text with a point added, or values of a point it inherits or has put in. Comments and all
 * other lines stay.
 *
 * @throws Error when the text is not YAML
 */
export function withPoint(text: string, name: string, values: PointValues): string {
  const document = parseDocument(text);
  const [error] = document.errors;
  if (error) throw new Error(error.message);
  const points = document.get('points');
  if (!isMap(points)) document.set('points', document.createNode({}));
  else if (points.items.length === 0) points.flow = false;
  if (!isMap(document.getIn(['points', name]))) {
    document.setIn(['points', name], document.createNode({ ...values }, { flow: true }));
  } else {
    for (const [key, value] of Object.entries(values)) document.setIn(['points', name, key], value);
  }
  return document.toString({ lineWidth: 0 });
}

/** The text of a new sheet laid over another, to be refined. */
export function adoptedText(parent: string, title: string): string {
  return `format: tovrik-sheet/1
id: ${adoptedId(parent)}
extends: ${parent}
title: ${title}

# Write down only what differs. A name given as null is taken out.
points: {}
`;
}

/** The id of the shop's own refinement of a sheet. */
export function adoptedId(parent: string): string {
  return `my-${parent}`;
}

import { faultTitle } from './faultTitle';
import { type Field } from './field';
import { readPartValue } from './partValue';
import { readRatios, readSigns } from './readStates';
import { appearances, type Block, type Fault, faultModes, type Part, partKinds } from './sheet';

/** Reads a part of a block. */
export function readPart(entry: Field, block: Block): Part {
  entry.only('kind', 'title', 'value', 'heat', 'price', 'board', 'faults');
  const kind = entry.get('kind').oneOf(partKinds);
  const value = entry.get('value').text('');
  return {
    id: entry.name,
    title: entry.get('title').text(entry.name),
    kind,
    block: block.id,
    board: entry.get('board').text(block.board),
    value,
    heat: entry.get('heat').flag(false),
    price: entry.get('price').present ? entry.get('price').number(0, 0) : undefined,
    ...entry.get('value').attempt((text) => readPartValue(kind, text), {}),
  };
}

/** Reads what happens to a part, and what that does. */
export function readFault(entry: Field, part: Part): Fault {
  entry.only('title', 'weight', 'appears', 'sets', 'shorts', 'ripples', 'opens', 'signs', 'shows', 'harms', 'reads');
  const mode = faultModes.find((word) => word === entry.name);
  if (mode === undefined) entry.fail(`"${entry.name}" is not a fault; it may be ${faultModes.join(', ')}`);
  return {
    id: `${part.id}.${entry.name}`,
    part: part.id,
    mode: mode ?? 'dead',
    title: entry.get('title').text(faultTitle(part, mode ?? 'dead')),
    weight: entry.get('weight').number(1, 0, 1000),
    appears: entry.get('appears').oneOf(appearances, 'always'),
    sets: readRatios(entry.get('sets')),
    shorts: entry.get('shorts').texts(),
    ripples: entry.get('ripples').texts(),
    opens: entry.get('opens').texts(),
    signs: readSigns(entry.get('signs')),
    shows: entry.get('shows').texts(),
    harms: entry.get('harms').texts(),
    reads: new Map(
      entry
        .get('reads')
        .entries()
        .map((point) => [point.name, point.quantity('')]),
    ),
    place: entry.place,
  };
}

import { NeedLoop, needOrder } from './needOrder';
import { type Problem } from './problem';
import { type Place } from './place';
import { type Sheet } from './sheet';
import { familyOf, pictureRoles } from './words';

const sheetStart: Place = { line: 1, column: 1 };

/** Names in a sheet must lead somewhere; each that does not is added to `problems`. */
export function checkReferences(sheet: Sheet, problems: Problem[]): void {
  const fail = (place: Place, message: string) => problems.push({ ...place, message });
  const need = (known: { has(id: string): boolean }, what: string, id: string, place: Place, where: string) => {
    if (!known.has(id)) fail(place, `${where} names ${what} "${id}", which the sheet does not describe`);
  };

  const madeBy = new Map<string, string>();
  for (const block of sheet.blocks.values()) {
    const where = `block "${block.id}"`;
    need(sheet.boards, 'board', block.board, block.place, where);
    for (const net of [...block.needs, ...block.makes]) need(sheet.nets, 'net', net, block.place, where);
    for (const net of block.makes) {
      const other = madeBy.get(net);
      if (other !== undefined)
        fail(block.place, `net "${net}" is made by "${other}" and by "${block.id}"; one block makes a net`);
      madeBy.set(net, block.id);
    }
    if (block.stage) {
      const inside = `the stage of ${where}`;
      for (const net of [...block.stage.given.values(), ...block.stage.nominal.values(), ...block.stage.nodes.values()])
        need(sheet.nets, 'net', net, block.place, inside);
      for (const part of block.stage.parts.values()) need(sheet.parts, 'part', part, block.place, inside);
    }
    for (const rule of block.rules) {
      for (const net of rule.when.keys()) {
        if (!block.needs.includes(net))
          fail(block.place, `a rule of ${where} asks about "${net}", which it does not need`);
      }
      for (const net of rule.makes.keys()) {
        if (!block.makes.includes(net)) fail(block.place, `a rule of ${where} sets "${net}", which it does not make`);
      }
    }
  }
  try {
    needOrder(sheet);
  } catch (error) {
    if (!(error instanceof NeedLoop)) throw error;
    fail(
      error.blocks[0]?.place ?? sheetStart,
      `the blocks ${error.message} need each other in a circle; break it at one net`,
    );
  }

  for (const connector of sheet.connectors.values()) {
    const where = `connector "${connector.id}"`;
    need(sheet.boards, 'board', connector.from, sheetStart, where);
    need(sheet.boards, 'board', connector.to, sheetStart, where);
    for (const net of connector.carries) need(sheet.nets, 'net', net, sheetStart, where);
  }
  for (const part of sheet.parts.values()) need(sheet.boards, 'board', part.board, sheetStart, `part "${part.id}"`);
  for (const fault of sheet.faults.values()) {
    const where = `fault "${fault.id}"`;
    for (const net of [...fault.sets.keys(), ...fault.shorts, ...fault.ripples])
      need(sheet.nets, 'net', net, fault.place, where);
    for (const connector of fault.opens) need(sheet.connectors, 'connector', connector, fault.place, where);
    for (const sign of fault.signs.keys()) need(sheet.signs, 'sign', sign, fault.place, where);
    for (const other of fault.harms) need(sheet.faults, 'fault', other, fault.place, where);
    for (const point of fault.reads.keys()) need(sheet.points, 'point', point, fault.place, where);
  }
  for (const point of sheet.points.values()) {
    const where = `point "${point.id}"`;
    if (point.net !== undefined) need(sheet.nets, 'net', point.net, point.place, where);
    if (point.board !== undefined) need(sheet.boards, 'board', point.board, point.place, where);
    for (const part of point.parts) need(sheet.parts, 'part', part, point.place, where);
    if (point.net === undefined && point.parts.length === 0)
      fail(point.place, `${where} measures nothing: give it a net or parts`);
  }
  for (const { title, point, watch } of sheet.setUp)
    for (const id of [point, watch])
      if (id !== undefined) need(sheet.points, 'point', id, sheetStart, `set-up step "${title}"`);
  for (const sign of sheet.signs.values()) {
    const where = `sign "${sign.id}"`;
    if (sign.follows !== undefined) need(sheet.nets, 'net', sign.follows, sheetStart, where);
    if (sign.board !== undefined) need(sheet.boards, 'board', sign.board, sheetStart, where);
  }
  for (const guard of sheet.protections) {
    const where = `protection "${guard.id}"`;
    for (const net of [...guard.watches.keys(), ...guard.cuts]) need(sheet.nets, 'net', net, sheetStart, where);
    for (const sign of guard.signs.keys()) need(sheet.signs, 'sign', sign, sheetStart, where);
  }
  for (const [role, nets] of sheet.picture)
    for (const net of nets) need(sheet.nets, 'net', net, sheetStart, `picture role "${role}"`);
  const roles: readonly string[] = pictureRoles[familyOf(sheet.technology)];
  for (const role of sheet.picture.keys()) {
    if (!roles.includes(role))
      fail(sheetStart, `"${role}" plays no part in the picture; the roles are ${roles.join(', ')}`);
  }
  for (const { id, plug, sign } of sheet.drivers) {
    if (plug !== undefined) need(sheet.connectors, 'connector', plug, sheetStart, `driver "${id}"`);
    if (sign !== undefined) need(sheet.signs, 'sign', sign, sheetStart, `driver "${id}"`);
  }
  for (const group of sheet.siblings) {
    for (const row of group.rows) {
      for (const point of row.points) need(sheet.points, 'point', point, sheetStart, `siblings "${group.id}"`);
      for (const part of row.parts.flat()) need(sheet.parts, 'part', part, sheetStart, `siblings "${group.id}"`);
    }
  }
}

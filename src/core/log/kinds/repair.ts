import * as yup from 'yup';
import { between, type LineKind, type LineOf, name, text } from '../line';

const fields = yup.object({
  action: name(120),
  title: name(200),
  cures: yup.array(text(120)).max(200).required(),
  money: between(0, 1e6),
  minutes: between(0, 1e5),
  note: text(2000),
});

/** What was done to put the set right. */
export type RepairLine = LineOf<'repair', typeof fields>;

export const repair: LineKind<RepairLine> = {
  fields,
  unknown({ cures }, { sheet }) {
    const fault = cures.find((id) => !sheet.faults.has(id));
    return fault === undefined ? undefined : `${sheet.title} has no fault "${fault}"`;
  },
  fold: (bench, body, stamp) => bench.repaired(stamp, body),
  said: ({ title }) => title,
};

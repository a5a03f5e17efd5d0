import * as yup from 'yup';
import { Refusal } from '@/core/quantity';

/** The kind of file, and its version. */
export const archiveFormat = 'tovrik-shop/1';

/** Where in the archive the manifest stands; it is written last. */
export const manifestName = 'shop.json';

/** Where a table’s rows stand, one JSON object a line. */
export const rowsName = (table: string): string => `tables/${table}.jsonl`;

const manifestSchema = yup.object({
  format: yup.string().oneOf([archiveFormat], `its format is not ${archiveFormat}`).required('it names no format'),
  made: yup.string().required(),
  release: yup.string().required(),
  rows: yup.object().required(),
  files: yup
    .array(
      yup.object({
        name: yup.string().required(),
        bytes: yup.number().integer().min(0).required(),
        sha256: yup
          .string()
          .matches(/^[0-9a-f]{64}$/)
          .required(),
      }),
    )
    .required(),
});

/** What an archive says of itself. */
export interface Manifest {
  readonly format: string;
  /** ISO instant. */
  readonly made: string;
  /** The newest migration of the database it was written from. */
  readonly release: string;
  /** How many rows there are, by table. */
  readonly rows: Readonly<Record<string, number>>;
  /** Every other file in it. */
  readonly files: readonly { readonly name: string; readonly bytes: number; readonly sha256: string }[];
}

/** @throws Refusal where this is no manifest */
export function readManifest(text: string): Manifest {
  try {
    return manifestSchema.validateSync(JSON.parse(text), { strict: true }) as unknown as Manifest;
  } catch (error) {
    throw new Refusal(`${manifestName} is not that of a shop’s archive: ${(error as Error).message}`);
  }
}

// npm run schema: writes the JSON Schema of the sheet format, as core describes it, beside the sheets.
import { writeFileSync } from 'node:fs';
import path from 'node:path';
import { sheetSchema } from '@/core/sheet';

writeFileSync(
  path.join(process.cwd(), 'src', 'sheets', 'tovrik-sheet.schema.json'),
  `${JSON.stringify(sheetSchema, null, 2)}\n`,
);

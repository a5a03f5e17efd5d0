import 'server-only';
import { readFileSync } from 'node:fs';
import path from 'node:path';

function buildId(): string | undefined {
  try {
    return readFileSync(path.join(process.cwd(), '.next', 'BUILD_ID'), 'utf8');
  } catch {
    return undefined;
  }
}

/** Which build of the application this is; undefined of one that still changes while it runs. */
export const build = process.env.NODE_ENV === 'production' ? buildId() : undefined;

import 'server-only';
import { shippedStages } from '@/sheets/stages';
import { type Stage } from './StageDesk';

export function loadStages(): Stage[] {
  return shippedStages();
}

import { useMemo, useState } from 'react';
import { type Briefing, type Case } from '@/core/diagnosis';
import { useBriefing } from '@/workshop/advice';
import { type JobFile, type JobLog } from '@/workshop/job';
import { reordered, useDeeperLook } from './useDeeperLook';

/** What the order of the probes must not change under. */
interface Hands {
  readonly text: string;
  /** Nothing was typed, chosen or begun. */
  readonly untouched: boolean;
}

/** The advice as it is shown: briefed anew after each line, its probes in the order of a deeper look while hands are off. */
export function useShownAdvice(file: JobFile, log: JobLog, { predictions }: Case, briefing: Briefing) {
  const { briefed, fresh } = useBriefing(file, log.entries, predictions, briefing);
  const [typing, setTyping] = useState(false);
  const ahead = useDeeperLook(file, log.entries, { briefed, fresh }, typing);
  const preferred = useMemo(() => reordered(briefed, ahead.look), [briefed, ahead.look]);
  const [settled, setSettled] = useState({ of: briefed, shown: preferred });
  return {
    briefed: settled.shown,
    fresh,
    /** Where the deeper look stands. */
    ahead: ahead.state,
    /** Called while drawing: takes up new advice at once, another order only while nothing was typed or chosen. */
    follow({ text, untouched }: Hands) {
      if (settled.of !== briefed || (settled.shown !== preferred && untouched))
        setSettled({ of: briefed, shown: preferred });
      if (typing !== (text !== '')) setTyping(!typing);
    },
  };
}

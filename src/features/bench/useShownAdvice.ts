import { useEffect, useMemo, useState } from 'react';
import { type Briefed, type Briefing, type Case } from '@/core/diagnosis';
import { useBriefing } from '@/workshop/advice';
import { type JobFile, type JobLog } from '@/workshop/job';
import { keepingFront, reordered, useDeeperLook } from './useDeeperLook';

/** So long after new advice nobody has read it and moved a probe, in milliseconds. */
const unread = 1500;

/** What the order of the probes must not change under. */
interface Hands {
  readonly text: string;
  /** Nothing was typed, chosen or begun. */
  readonly untouched: boolean;
}

/**
 * The advice as it is shown: briefed anew after each line. A deeper look may put another probe in front of it for a
 * moment, and afterwards behind the probe in front, as long as nothing is typed.
 */
export function useShownAdvice(file: JobFile, log: JobLog, { predictions }: Case, briefing: Briefing) {
  const live = useBriefing(file, log.entries, predictions, briefing);
  const { briefed, fresh } = live;
  const [typing, setTyping] = useState(false);
  const ahead = useDeeperLook(live, typing);
  const preferred = useMemo(() => reordered(briefed, ahead.look), [briefed, ahead.look]);
  const [settled, setSettled] = useState({ of: briefed, by: preferred, shown: preferred });
  /** The briefing that has stood long enough to have been read. */
  const [read, setRead] = useState<Briefed>();
  useEffect(() => {
    const timer = setTimeout(() => setRead(briefed), unread);
    return () => clearTimeout(timer);
  }, [briefed]);
  return {
    briefed: settled.shown,
    fresh,
    /** Where the deeper look stands. */
    ahead: ahead.state,
    /** Called while drawing: takes up new advice at once, another order of it only while nothing was typed or chosen. */
    follow({ text, untouched }: Hands) {
      const anew = settled.of !== briefed;
      if (anew || (settled.by !== preferred && untouched))
        setSettled({
          of: briefed,
          by: preferred,
          shown: !anew && read === briefed ? keepingFront(settled.shown, preferred) : preferred,
        });
      if (typing !== (text !== '')) setTyping(!typing);
    },
  };
}

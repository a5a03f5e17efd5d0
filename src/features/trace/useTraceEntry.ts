import { useState } from 'react';
import { attempt, Refusal } from '@/core/quantity';
import { isOfColdSet, readTraceFile, type Spot, type Trace, withTraced } from '@/core/tracing';
import { type TraceView } from './traceModel';

interface Tracing {
  readonly trace: Trace;
  readonly view: TraceView;
  /** Why no beep counts now; undefined where it does. */
  readonly off: string | undefined;
  add(...lines: string[]): void;
}

/** What is typed and pointed at while a board is traced: a line, a pair of pins, or an answer to what is asked. */
export function useTraceEntry({ trace, view: { next, short, path, asks }, off, add }: Tracing) {
  const [line, setLine] = useState('');
  const [message, setMessage] = useState<string>();
  const [picked, setPicked] = useState<readonly Spot[]>([]);
  const take = (text: string): boolean => {
    const read = (isOfColdSet(text) ? off : undefined) ?? attempt(() => withTraced(trace, text));
    if (typeof read === 'string' || read instanceof Refusal) {
      setMessage(typeof read === 'string' ? read : read.message);
      return false;
    }
    add(text.trim());
    setLine('');
    setPicked([]);
    setMessage(undefined);
    return true;
  };
  const [one, other] = picked;
  const pair = one !== undefined && other !== undefined ? ([one, other] as const) : undefined;
  const followed = short ?? path;
  const wanted = pair ?? (next && !followed ? ([next.a, next.b] as const) : undefined);
  const answer = (joined: boolean) => wanted && take(`${wanted[0]} ${joined ? '' : 'not '}${wanted[1]}`);
  const lift = short?.next;
  const look = path?.next;
  const toDo = (): string | undefined => {
    if (asks && 'feed' in asks) return `what makes ${asks.feed.rail}?`;
    if (asks && 'spot' in asks) return `volts at ${asks.spot}`;
    if (off !== undefined && !look) return 'pull the plug first';
    if (asks) return `${asks.part} by itself`;
    if (lift) return `lift ${lift.ref}`;
    return look ? `look at ${look.at}` : next && `${next.a} to ${next.b}`;
  };
  return {
    line,
    message,
    setMessage,
    picked,
    pair,
    /** The pair that a beep is asked for. */
    wanted,
    /** What is to be done next, in words; undefined where nothing is asked for. */
    toDo: toDo(),
    /** Is what is asked for next read with the set live? */
    isLive: (look !== undefined || (asks !== undefined && 'spot' in asks)) && !pair,
    take,
    type: (text: string) => {
      setLine(text);
      setMessage(undefined);
    },
    enter: () => {
      const typed = line.trim().toLowerCase();
      if (lift && (typed === 'g' || typed === 'gone')) return void take(`lifted ${lift.ref} gone`);
      if (lift && (typed === 's' || typed === 'still')) return void take(`lifted ${lift.ref} still`);
      if (look && (typed === 'g' || typed === 'gone')) return void take(`gone ${look.at}`);
      if (look && (typed === 't' || typed === 'there')) return void take(`there ${look.at}`);
      if (followed && typed === '' && !pair) return;
      if (typed === '' || typed === 'y' || typed === 'yes') return void answer(true);
      if (typed === 'n' || typed === 'no') return void answer(false);
      take(line);
    },
    pick: (spot: Spot) => setPicked((now) => (now.length === 1 && now[0] !== spot ? [...now, spot] : [spot])),
    /** Takes up a board that another has traced, from its file. */
    open: (file: string) => {
      const read = off ?? attempt(() => readTraceFile(file));
      if (typeof read === 'string') return setMessage(read);
      if (read instanceof Refusal) return setMessage(read.message);
      setMessage(undefined);
      add(...read);
    },
  };
}

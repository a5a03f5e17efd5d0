import { Command } from 'cmdk';
import { useEffect, useRef } from 'react';
import { type HuntAct } from '@/core/practice';
import { minutesText, moneyText } from '@/ui';
import { movesFor } from './huntMoves';
import { type HuntView } from './huntView';
import styles from './hunt.module.css';

interface HuntEntryProps {
  readonly view: HuntView;
  readonly busy: boolean;
  readonly currency: string;
  /** Changes when the entry is to be ready again: a hint was asked for, a bead was pointed at. */
  readonly ready: number;
  readonly typed: string;
  onType(text: string): void;
  onAct(act: HuntAct): void;
}

/** So many of what fits are shown. */
const most = 7;

/** Does a text hold every word that was typed? */
const holds = (text: string, typed: string): boolean => typed.split(/\s+/).every((word) => text.includes(word));

/** Does some word of a text begin as each word that was typed? */
const begins = (text: string, typed: string): boolean =>
  typed.split(/\s+/).every((word) => text.split(/\s+/).some((one) => one.startsWith(word)));

/** Those that begin with what was typed first, then those that hold it as it was typed. */
const closestFirst = <T extends { readonly title: string }>(found: readonly T[], sought: string): T[] => {
  const distance = ({ title }: T) => {
    const at = title.toLowerCase().indexOf(sought);
    return at === 0 ? 0 : at > 0 ? 1 : 2;
  };
  return [...found].sort((a, b) => distance(a) - distance(b));
};

/** `suspect r421 70`: a part by its reference or its title, and how sure one is of it in percent. */
const suspecting = /^suspect\s+(.*?)(?:\s+(\d{1,2})\s*%?)?$/;
/** Taken where no percentage was typed. */
const evenChance = 50;

/** What to do next, typed or picked: how the set stands, a place to probe, a part to change. */
export function HuntEntry({ view, busy, currency, ready, typed, onType, onAct }: HuntEntryProps) {
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => input.current?.focus(), [ready, view.rows.length]);
  const sought = typed.trim().toLowerCase();
  const off = view.power !== 'live';
  const states: readonly (readonly [string, string, HuntAct, boolean])[] = [
    ['Power on', 'live power on plug in', { kind: 'power', to: 'live' }, off],
    ['Plug out', 'unplugged off plug out', { kind: 'power', to: 'unplugged' }, !off],
    [
      'Plug out, discharge and measure the stores',
      'proven dead discharge stores off plug out',
      { kind: 'power', to: 'proven' },
      view.power !== 'proven',
    ],
    [view.lamp ? 'Lamp out' : 'Lamp in series', 'lamp in series out', { kind: 'lamp', fitted: !view.lamp }, off],
    [
      view.isolated ? 'Isolating transformer out' : 'Isolating transformer in',
      'isolation isolating transformer in out',
      { kind: 'isolation', fitted: !view.isolated },
      off,
    ],
    ['Let it run until it is warm', 'warm run heat soak', { kind: 'warm' }, !off && !view.warm && sought !== ''],
    ['Give up and be told', 'give up end', { kind: 'give up' }, sought !== ''],
  ];
  /** A bead of the line by the very name of its point: nothing else is meant. */
  const named = view.checks.find(({ id, net }) => net !== undefined && id.toLowerCase() === sought);
  const shown = states.filter(
    ([title, words, , can]) => !named && can && begins(`${words} ${title.toLowerCase()}`, sought),
  );
  const moves = named ? [] : movesFor(view, sought);
  const checks = named
    ? [named]
    : closestFirst(
        view.checks.filter(({ words }) => holds(words, sought)),
        sought,
      );
  const repairs =
    sought === '' || named
      ? []
      : closestFirst(
          view.repairs.filter(({ title }) => holds(title.toLowerCase(), sought)),
          sought,
        );
  const [, suspect, percentage] = suspecting.exec(sought) ?? [];
  const sure = Math.min(99, Math.max(1, Number(percentage ?? evenChance)));
  const suspects = suspect
    ? closestFirst(
        view.parts.filter(({ id, title }) => holds(`${id} ${title}`.toLowerCase(), suspect)),
        suspect,
      )
    : [];
  const take = (act: HuntAct) => () => {
    if (busy) return;
    onType('');
    onAct(act);
  };
  return (
    <Command label="What to do next" shouldFilter={false} className={styles.entry}>
      <Command.Input
        ref={input}
        autoFocus
        value={typed}
        maxLength={80}
        onValueChange={onType}
        placeholder="a point · pull CN2 · suspect R12 70"
      />
      <Command.List>
        <Command.Empty>Nothing of that name on this set.</Command.Empty>
        {shown.length > 0 && (
          <Command.Group heading="The set">
            {shown.map(([title, , act]) => (
              <Command.Item key={title} value={`set ${title}`} onSelect={take(act)}>
                {title}
              </Command.Item>
            ))}
          </Command.Group>
        )}
        {suspects.length > 0 && (
          <Command.Group heading={`You suspect · sure by ${sure} %`}>
            {suspects.slice(0, most).map(({ id, title }) => (
              <Command.Item
                key={id}
                value={`suspect ${id}`}
                onSelect={take({ kind: 'suspect', part: id, sure: sure / 100 })}
              >
                {title}
              </Command.Item>
            ))}
          </Command.Group>
        )}
        {moves.length > 0 && (
          <Command.Group heading={`Take apart · ${moves.length}`}>
            {moves.slice(0, most).map(({ title, act, minutes }) => (
              <Command.Item key={title} value={`move ${title}`} onSelect={take(act)}>
                <span>{title}</span>
                <small>plug out, stores proven{minutes !== undefined && ` · ${minutesText(minutes)}`}</small>
              </Command.Item>
            ))}
          </Command.Group>
        )}
        {checks.length > 0 && (
          <Command.Group heading={`Probe · ${checks.length}`}>
            {checks.slice(0, most).map(({ id, title, where, state, minutes }) => (
              <Command.Item key={id} value={`probe ${id}`} onSelect={take({ kind: 'probe', check: id })}>
                <span>
                  {title} <small>{where}</small>
                </span>
                <small>
                  {state === 'live' ? 'under power' : 'plug out'} · {minutesText(minutes)}
                </small>
              </Command.Item>
            ))}
          </Command.Group>
        )}
        {repairs.length > 0 && (
          <Command.Group heading={`Change · ${repairs.length}`}>
            {repairs.slice(0, most).map(({ id, title, minutes, money }) => (
              <Command.Item key={id} value={`repair ${id}`} onSelect={take({ kind: 'repair', action: id })}>
                <span>{title}</span>
                <small>
                  {minutesText(minutes)} · {moneyText(money, currency)}
                </small>
              </Command.Item>
            ))}
          </Command.Group>
        )}
      </Command.List>
    </Command>
  );
}

'use client';

import { Button, Input, InputNumber } from 'antd';
import { useRouter } from 'next/navigation';
import { useDeferredValue, useMemo, useState, useTransition } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { symptomTilesOf } from '@/core/diagnosis';
import { pictureCaution } from '@/core/safety';
import { type SignState, type Technology } from '@/core/sheet';
import { predictionsOf } from '@/features/job';
import { Bar, chanceText, Key, minutesText, moneyText, PictureView } from '@/ui';
import { takeIn } from './actions';
import { labelValues } from './labelValues';
import { type TakeInDesk } from './load';
import { LabelFields, Labelled, OptionChoices } from './SetFields';
import { complaintFrom, nextSignState, outlookOf, signText } from './takeInModel';
import styles from './take-in.module.css';

const technologyTitles: Readonly<Record<Technology, string>> = {
  'crt-colour': 'Tube, colour',
  'crt-mono': 'Tube, one colour',
  plasma: 'Plasma',
  'projection-lamp': 'Rear, lamp and wheel',
  'projection-tubes': 'Rear, three tubes',
};

const shownTiles = 15;

export function TakeIn({ cards, done, sheet, options, closed, settings: { hourlyRate, currency } }: TakeInDesk) {
  const router = useRouter();
  const [choosing, startChoosing] = useTransition();
  const [picked, setPicked] = useState<ReadonlySet<string>>(new Set());
  const [signs, setSigns] = useState<Readonly<Record<string, SignState>>>({});
  const [label, setLabel] = useState<Readonly<Record<string, string>>>({});
  const [title, setTitle] = useState('');
  const [place, setPlace] = useState('');
  const [owner, setOwner] = useState('');
  const [words, setWords] = useState('');
  const [value, setValue] = useState<number | null>(80);
  const [limit, setLimit] = useState<number | null>(30);
  const [all, setAll] = useState(false);
  const [problem, setProblem] = useState<string>();
  const [storing, startStoring] = useTransition();

  const predictions = predictionsOf(sheet);
  const tiles = useMemo(() => symptomTilesOf(predictions), [predictions]);
  const complaint = useMemo(() => complaintFrom(tiles, picked, signs), [tiles, picked, signs]);
  const settled = useDeferredValue(complaint);
  const outlook = useMemo(
    () => outlookOf(predictions, settled, closed, hourlyRate),
    [predictions, settled, closed, hourlyRate],
  );
  const told = complaint.symptoms.length > 0 || Object.keys(signs).length > 0;
  const caution = pictureCaution(complaint.symptoms);

  /** The address holds the sheet and its options, so that the server sends that sheet alone. */
  const choose = (id: string, choices: Readonly<Record<string, string>>) => {
    if (id !== sheet.id) {
      setPicked(new Set());
      setSigns({});
      setLabel({});
    }
    startChoosing(() => router.replace(`/take-in?${new URLSearchParams({ sheet: id, ...choices }).toString()}`));
  };
  const toggle = (id: string) =>
    setPicked((now) => new Set(now.has(id) ? [...now].filter((other) => other !== id) : [...now, id]));
  const answer = (id: string) =>
    setSigns((now) => {
      const { [id]: state, ...others } = now;
      const next = nextSignState(state);
      return next === undefined ? others : { ...others, [id]: next };
    });
  const store = () =>
    startStoring(async () => {
      const { values, wrong } = labelValues(sheet, label);
      if (wrong !== undefined) return setProblem(wrong);
      const id = crypto.randomUUID();
      const refused = await takeIn({
        id,
        title,
        place,
        owner,
        sheet: sheet.id,
        options,
        words,
        value: value ?? 0,
        limit: limit ?? 0,
        label: values,
        complaint,
      });
      if (refused === undefined) router.push(`/job/${id}/bench`);
      else setProblem(refused);
    });
  useHotkeys('mod+enter', store, { enableOnFormTags: true, preventDefault: true });

  return (
    <div className={styles.page}>
      <section className={styles.side} aria-label="The set">
        <Labelled title="What is it?">
          <div className={styles.choices} aria-busy={choosing}>
            {cards
              .filter(({ generic }) => !generic)
              .map((card) => (
                <button
                  key={card.id}
                  type="button"
                  className={styles.choice}
                  aria-pressed={card.id === sheet.id}
                  title={`${technologyTitles[card.technology]} · ${card.size}`}
                  onClick={() => choose(card.id, {})}
                >
                  <strong>{card.title}</strong>
                  <span>{(done.get(card.id) ?? 0) > 0 ? `${done.get(card.id)} done` : ''}</span>
                </button>
              ))}
          </div>
          <p className="soft">No sheet of its own? Any make:</p>
          <div className={styles.options}>
            {cards
              .filter(({ generic }) => generic)
              .map((card) => (
                <button
                  key={card.id}
                  type="button"
                  className={styles.chip}
                  aria-pressed={card.id === sheet.id}
                  onClick={() => choose(card.id, {})}
                >
                  {card.title}
                </button>
              ))}
          </div>
        </Labelled>
        <OptionChoices
          sheet={sheet}
          chosen={options}
          onChoose={(option, choice) => choose(sheet.id, { ...options, [option]: choice })}
        />
        <Labelled title="Call it">
          <Input
            value={title}
            onChange={(event) => setTitle(event.target.value)}
            placeholder="Tea-room set"
            maxLength={80}
            aria-label="Name of the set"
            status={problem !== undefined && title.trim() === '' ? 'error' : ''}
            autoFocus
          />
        </Labelled>
        <div className={styles.pair}>
          <Labelled title="Where it lives">
            <Input
              value={place}
              onChange={(event) => setPlace(event.target.value)}
              placeholder="Tea room"
              maxLength={80}
              aria-label="Where it lives"
            />
          </Labelled>
          <Labelled title="For whom">
            <Input
              value={owner}
              onChange={(event) => setOwner(event.target.value)}
              placeholder="museum"
              maxLength={80}
              aria-label="For whom"
            />
          </Labelled>
        </div>
        <div className={styles.pair}>
          <Labelled title={`Value, ${currency}`}>
            <InputNumber value={value} onChange={setValue} min={0} max={1e6} aria-label="Value" />
          </Labelled>
          <Labelled title={`Limit for parts, ${currency}`}>
            <InputNumber value={limit} onChange={setLimit} min={0} max={1e6} aria-label="Limit for parts" />
          </Labelled>
        </div>
      </section>

      <section className={styles.middle} aria-label="The complaint">
        <h1 className="label">What does it show? Pick all that fit</h1>
        <div className={styles.tiles}>
          {(all ? tiles : tiles.slice(0, shownTiles)).map((tile) => (
            <button
              key={tile.id}
              type="button"
              className={styles.tile}
              aria-pressed={picked.has(tile.id)}
              onClick={() => toggle(tile.id)}
            >
              <PictureView picture={tile.picture} />
              <span>{tile.title}</span>
            </button>
          ))}
        </div>
        {tiles.length > shownTiles && (
          <Button type="link" className={styles.more} onClick={() => setAll(!all)}>
            {all ? 'The commonest only' : `${tiles.length - shownTiles} more pictures`}
          </Button>
        )}
        <h2 className="label">And what else? Press again for none, then gone, weak, there</h2>
        <div className={styles.chips}>
          {[...sheet.signs.values()].map((sign) => (
            <button
              key={sign.id}
              type="button"
              className={styles.chip}
              aria-pressed={signs[sign.id] !== undefined}
              onClick={() => answer(sign.id)}
            >
              {signText(sign, signs[sign.id])}
            </button>
          ))}
        </div>
        <h2 className="label">In the owner’s words</h2>
        <Input.TextArea
          value={words}
          onChange={(event) => setWords(event.target.value)}
          autoSize={{ minRows: 1, maxRows: 3 }}
          maxLength={2000}
          aria-label="In the owner’s words"
        />
        <LabelFields
          sheet={sheet}
          typed={label}
          onType={(field, text) => setLabel((now) => ({ ...now, [field]: text }))}
        />
      </section>

      <section className={styles.outlook} aria-label="What it points at" aria-live="polite">
        <h2 className="label">It points at</h2>
        {caution !== undefined && <p className={styles.caution}>{caution}</p>}
        <ul className={styles.blocks}>
          {outlook.blocks.slice(0, told ? 4 : 5).map((block) => (
            <li key={block.block}>
              <div>
                <strong>{block.title}</strong>
                <span className="figure">{chanceText(block.chance)}</span>
              </div>
              <Bar share={block.chance} />
              {told && <p className="soft">most likely {block.most}</p>}
            </li>
          ))}
        </ul>
        {told && outlook.met && (
          <div className={styles.worth}>
            <strong>In this shop</strong>
            <p>
              {outlook.met.count} of {outlook.met.of} such sets: {outlook.met.title}.
            </p>
          </div>
        )}
        <div className={styles.worth}>
          <strong>Worth it?</strong>
          <p>
            Value <b className="figure">{moneyText(value ?? 0, currency)}</b>, limit{' '}
            <b className="figure">{moneyText(limit ?? 0, currency)}</b>. Parts about{' '}
            <b className="figure">{moneyText(Math.round(outlook.money), currency)}</b>, nine in ten under{' '}
            <b className="figure">{moneyText(Math.ceil(outlook.moneyMost), currency)}</b>;{' '}
            {minutesText(outlook.minutes)} of bench time. Its boards would fetch{' '}
            <b className="figure">{moneyText(outlook.boards, currency)}</b>.
          </p>
          {outlook.moneyMost > (limit ?? 0) && told && <p className="bad">Parts may pass the limit.</p>}
        </div>
        {problem !== undefined && (
          <p role="alert" className="bad">
            {problem}
          </p>
        )}
        <Button type="primary" size="large" loading={storing} onClick={store}>
          Put it on the bench
        </Button>
        <p className="soft">
          <Key>Ctrl ⏎</Key> from anywhere on this page
        </p>
      </section>
    </div>
  );
}

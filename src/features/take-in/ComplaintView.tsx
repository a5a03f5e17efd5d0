import { Button } from 'antd';
import { type ReactNode, useState } from 'react';
import { manners, mannerTitles } from '@/core/picture';
import { type Sheet } from '@/core/sheet';
import { Choice, PictureView } from '@/ui';
import { signText } from './takeInModel';
import { type ToldComplaint } from './useComplaint';
import styles from './take-in.module.css';

const shownTiles = 15;

interface ComplaintViewProps {
  readonly sheet: Sheet;
  readonly complaint: ToldComplaint;
  /** Another sheet was chosen and is on its way: what is pressed now would be said of this one. */
  readonly waiting: boolean;
  /** What is said in words, and read off the label. */
  readonly children: ReactNode;
}

/** What the set shows, picked from pictures, and what is heard and lit, answered by pressing. */
export function ComplaintView({ sheet, complaint, waiting, children }: ComplaintViewProps) {
  const { tiles, picked, signs, manner, pick, answer, shows } = complaint;
  const [all, setAll] = useState(false);
  return (
    <section className={styles.middle} aria-label="The complaint" inert={waiting}>
      <h1 className="label">What does it show? Pick all that fit</h1>
      <div className={styles.tiles}>
        {(all ? tiles : tiles.slice(0, shownTiles)).map((tile) => (
          <button
            key={tile.id}
            type="button"
            className={styles.tile}
            aria-pressed={picked.has(tile.id)}
            onClick={() => pick(tile.id)}
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
          <Choice key={sign.id} pressed={signs[sign.id] !== undefined} onPress={() => answer(sign.id)}>
            {signText(sign, signs[sign.id])}
          </Choice>
        ))}
      </div>
      <h2 className="label">How does it show?</h2>
      <div className={styles.chips}>
        {manners.map((one) => (
          <Choice key={one} pressed={manner === one} onPress={() => shows(one)}>
            {mannerTitles[one]}
          </Choice>
        ))}
      </div>
      {children}
    </section>
  );
}

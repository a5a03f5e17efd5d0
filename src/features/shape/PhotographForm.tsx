import { PictureFile } from '@/ui';
import styles from './shape.module.css';
import { type Asked, screenShapes } from './shapeModel';

interface PhotographFormProps {
  readonly asked: Asked;
  readonly label: string;
  /** Is choosing one the thing to do next? */
  readonly main: boolean;
  onAsked(asked: Asked): void;
  onPicture(picture: File): void;
}

/** Which photograph is read, of which pattern on what screen. */
export function PhotographForm({ asked, label, main, onAsked, onPicture }: PhotographFormProps) {
  return (
    <p className={styles.take}>
      <PictureFile label={label} main={main} onPicture={onPicture} />
      <label>
        Lines{' '}
        <input
          className="field figure"
          value={asked.across}
          size={3}
          aria-label="Lines across"
          onChange={(event) => onAsked({ ...asked, across: event.target.value })}
        />{' '}
        ×{' '}
        <input
          className="field figure"
          value={asked.down}
          size={3}
          aria-label="Lines down"
          onChange={(event) => onAsked({ ...asked, down: event.target.value })}
        />
      </label>
      <label>
        Screen{' '}
        <input
          className="field figure"
          value={asked.wide}
          size={4}
          aria-label="Width of the screen in millimetres"
          onChange={(event) => onAsked({ ...asked, wide: event.target.value })}
        />{' '}
        mm
      </label>
      <select
        className="field"
        aria-label="Shape of the screen"
        value={asked.form}
        onChange={(event) => onAsked({ ...asked, form: event.target.value as typeof asked.form })}
      >
        {Object.keys(screenShapes).map((one) => (
          <option key={one}>{one}</option>
        ))}
      </select>
    </p>
  );
}

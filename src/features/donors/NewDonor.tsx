import { type Answered } from '@/workshop/answer';
import { keepDonor } from './actions';
import styles from './donors.module.css';

interface NewDonorProps {
  readonly settle: (answer: Answered) => boolean;
  readonly message: string | undefined;
  /** Told the donor that was written down, or nothing. */
  readonly leave: (id?: string) => void;
}

/** Writes down a set or a board that parts will be taken from. */
export function NewDonor({ settle, message, leave }: NewDonorProps) {
  const save = async (form: FormData) => {
    const text = (name: string) => String(form.get(name) ?? '');
    const id = crypto.randomUUID();
    if (settle(await keepDonor({ id, title: text('title'), place: text('place'), note: text('note') }))) leave(id);
  };
  return (
    <form
      className={styles.donor}
      aria-label="A donor"
      onSubmit={(event) => {
        event.preventDefault();
        void save(new FormData(event.currentTarget));
      }}
    >
      <h2>A donor</h2>
      <label>
        <span className="label">What it is</span>
        <input className="field" name="title" maxLength={60} autoFocus placeholder="Kiosk plasma, glass cracked" />
      </label>
      <label>
        <span className="label">Where it lies</span>
        <input className="field" name="place" maxLength={60} />
      </label>
      <label>
        <span className="label">What is known of it</span>
        <input className="field" name="note" maxLength={300} placeholder="scan buffers doubtful; supply ran before" />
      </label>
      {message !== undefined && (
        <p role="alert" className="bad">
          {message}
        </p>
      )}
      <span className={styles.steps}>
        <button type="submit" className="press main">
          Keep
        </button>
        <button type="button" className="press" onClick={() => leave()}>
          Leave
        </button>
      </span>
    </form>
  );
}

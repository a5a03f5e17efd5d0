import { type Sheet } from '@/core/sheet';
import { Labelled } from '@/workshop/form';
import { Choice } from '@/ui';
import styles from './set.module.css';

interface OptionChoicesProps {
  readonly sheet: Pick<Sheet, 'options'>;
  readonly chosen: Readonly<Record<string, string>>;
  onChoose(option: string, choice: string): void;
  /** Say of each choice how it is told, not only when it is pointed at. */
  readonly spelt?: boolean;
}

/** In what ways this set differs from others of its kind. */
export function OptionChoices({ sheet, chosen, onChoose, spelt = false }: OptionChoicesProps) {
  return sheet.options.map((option) => (
    <Labelled key={option.id} title={option.title}>
      <div className={styles.options} role="group" aria-label={option.title}>
        {option.choices.map((choice) => (
          <Choice
            key={choice.id}
            title={choice.tell}
            pressed={(chosen[option.id] ?? option.choices[0]!.id) === choice.id}
            onPress={() => onChoose(option.id, choice.id)}
          >
            {choice.title}
          </Choice>
        ))}
      </div>
      {spelt &&
        option.choices
          .filter(({ tell }) => tell !== '')
          .map(({ id, title, tell }) => (
            <p key={id} className="soft">
              {title}: {tell}
            </p>
          ))}
    </Labelled>
  ));
}

interface LabelFieldsProps {
  readonly sheet: Pick<Sheet, 'label'>;
  readonly typed: Readonly<Record<string, string>>;
  onType(field: string, text: string): void;
}

/** What stands on the set's own label; nothing where such sets have none. */
export function LabelFields({ sheet, typed, onType }: LabelFieldsProps) {
  if (sheet.label.size === 0) return null;
  return (
    <Labelled title="From its label">
      <div className={styles.label}>
        {[...sheet.label.values()].map((field) => (
          <label key={field.id}>
            <span>{field.title}</span>
            <input
              className="field figure"
              value={typed[field.id] ?? ''}
              placeholder={`${field.nominal} V`}
              autoComplete="off"
              onChange={(event) => onType(field.id, event.target.value)}
              aria-label={`${field.title} on the label`}
            />
          </label>
        ))}
      </div>
    </Labelled>
  );
}

interface ChoiceProps<Id extends string> {
  readonly label: string;
  readonly value: Id;
  readonly options: Iterable<{ readonly id: Id; readonly title: string }>;
  onChoose(id: Id): void;
}

/** One of some names, within a sentence. */
export function Choice<Id extends string>({ label, value, options, onChoose }: ChoiceProps<Id>) {
  return (
    <select className="field" aria-label={label} value={value} onChange={(event) => onChoose(event.target.value as Id)}>
      {[...options].map(({ id, title }) => (
        <option key={id} value={id}>
          {title}
        </option>
      ))}
    </select>
  );
}

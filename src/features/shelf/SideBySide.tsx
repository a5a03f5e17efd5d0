import { readPart, type ShelfLine, substitute, type SupplyPart } from '@/core/supply';
import { type ShelfRow, verdictWords } from '@/workshop/parts';
import { fromAbove, type PartSize, sizeOf } from './shelfModel';
import styles from './sideBySide.module.css';

interface SideBySideProps {
  readonly asked: Extract<ShelfLine, { do: 'for' }>;
  /** The row that is chosen, and the next best. */
  readonly rows: readonly ShelfRow[];
}

/** Two candidates against what is wanted, figure by figure, and their bodies to scale over the hole. */
export function SideBySide({ asked: { part, place }, rows }: SideBySideProps) {
  const judged = rows.map((row) => {
    const candidate = readPart(row.typed);
    return { row, candidate, ...substitute(part, candidate, place) };
  });
  const fields = new Map(judged.flatMap(({ fields: all }) => all.map((one) => [one.field, one] as const)));
  const room = place?.room ? fromAbove(place.room) : sizeOf(part);
  const largest = Math.max(
    10,
    ...[part, ...judged.map(({ candidate }) => candidate)].flatMap((one) => sizeOf(one)?.across ?? []),
    room?.across ?? 0,
  );
  return (
    <section aria-label="Side by side" className={styles.compare}>
      <table>
        <thead>
          <tr>
            <th scope="col">Figure</th>
            <th scope="col">Wanted</th>
            {judged.map(({ row, verdict }) => (
              <th key={row.id} scope="col">
                {verdictWords[verdict]}
                <small>{row.drawer === '' ? 'the shelf' : row.drawer}</small>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {[...fields.values()].map(({ field, title, original }) => (
            <tr key={field}>
              <th scope="row">{title}</th>
              <td className="figure">{original ?? 'not said'}</td>
              {judged.map(({ row, fields: own }) => {
                const one = own.find((candidate) => candidate.field === field);
                return (
                  <td key={row.id} data-verdict={one?.verdict}>
                    <span className="figure">{one?.candidate ?? 'not said'}</span>
                    {one && <small title={one.reason}>{verdictWords[one.verdict]}</small>}
                  </td>
                );
              })}
            </tr>
          ))}
          <tr>
            <th scope="row">over the hole</th>
            <td>
              <Body part={part} hole={room} largest={largest} />
            </td>
            {judged.map(({ row, candidate }) => (
              <td key={row.id}>
                <Body part={candidate} hole={room} largest={largest} />
              </td>
            ))}
          </tr>
        </tbody>
      </table>
    </section>
  );
}

/** The side of a drawing, in units of the picture. */
const side = 110;
const lead = 0.5;

/** A body from above with its leads, over the room there is and the holes in the board. */
function Body({ part, hole, largest }: { part: SupplyPart; hole: PartSize | undefined; largest: number }) {
  const own = sizeOf(part);
  if (!own) return <small className="soft">its size is not said</small>;
  const scale = (side - 10) / largest;
  const outline = ({ across, deep, round }: PartSize, className: string | undefined) =>
    round ? (
      <circle className={className} r={(across / 2) * scale} />
    ) : (
      <rect
        className={className}
        x={(-across / 2) * scale}
        y={(-deep / 2) * scale}
        width={across * scale}
        height={deep * scale}
      />
    );
  const holes = ({ pitch }: PartSize, className: string | undefined, radius: number) =>
    pitch === undefined
      ? null
      : [-1, 1].map((end) => (
          <circle key={end} className={className} cx={(end * pitch * scale) / 2} r={radius * scale} />
        ));
  const words = `${own.round ? `${own.across} mm round` : `${own.across} by ${own.deep} mm`}${own.pitch === undefined ? '' : `, leads ${own.pitch} mm apart`}${hole?.pitch === undefined ? '' : `, holes ${hole.pitch} mm apart`}`;
  return (
    <svg
      viewBox={`${-side / 2} ${-side / 2} ${side} ${side}`}
      width={side}
      height={side}
      role="img"
      aria-label={words}
      className={styles.body}
    >
      <title>{words}</title>
      {hole && outline(hole, styles.room)}
      {outline(own, styles.own)}
      {hole && holes(hole, styles.hole, 2 * lead)}
      {holes(own, styles.lead, lead)}
    </svg>
  );
}

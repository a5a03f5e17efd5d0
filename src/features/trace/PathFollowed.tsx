import { type FollowedPath } from '@/core/job';
import { chanceText, Key } from '@/ui';
import styles from './trace.module.css';
import { type TraceView } from './traceModel';

type Path = NonNullable<TraceView['path']>;

/** `IC1.8 to CN7.1`, as far as both are known. */
const fromTo = ({ from, to, route }: Path): string => {
  const source = from ?? route[0];
  return source === undefined ? `back from ${to}` : `${source} to ${to}`;
};

/** What a suspect is, in words. */
function suspectText({ kind, what }: FollowedPath['suspects'][number]): string {
  switch (kind) {
    case 'part':
      return `${what} lets nothing on`;
    case 'joint':
      return `copper or a joint, ${what}`;
    case 'shunt':
      return `${what} pulls it down`;
    case 'source':
      return `nothing comes from ${what}`;
  }
}

/** Where to look next for what is followed, or what stops it by now. */
export function LookNext({ path }: { readonly path: Path }) {
  const { next, route, suspects, ends } = path;
  const [first] = suspects;
  return (
    <div className={`task ${styles.next}`} role="status">
      {next ? (
        <>
          <small>
            {fromTo(path)} · look next · {chanceText(next.gone)} that it is gone there
          </small>
          <b className="figure">{next.at}</b>
          <span>
            <Key>t</Key> <Key>⏎</Key> there · <Key>g</Key> <Key>⏎</Key> gone · or type where you looked:{' '}
            <span className="figure">gone {next.at}</span>
          </span>
        </>
      ) : first ? (
        <>
          <small>
            {fromTo(path)} · likeliest to stop it · {chanceText(first.chance)}
          </small>
          <b>{suspectText(first)}</b>
          <span>
            Measure it with the plug out. <span className="figure">path off</span> ends the following.
          </span>
        </>
      ) : (
        <>
          <small>{fromTo(path)}</small>
          <b>{route.length === 0 ? 'No way is traced there yet' : 'Nothing on the way stops it'}</b>
          <span>
            {ends.length > 0 && (
              <>
                Open ends: <span className={`figure ${styles.pins}`}>{ends.slice(0, 8).join('  ')}</span>.{' '}
              </>
            )}
            Beep on from there; a plug to another board is typed <span className="figure">CN9 plug 4</span>.
          </span>
        </>
      )}
    </div>
  );
}

interface PathProps {
  readonly path: Path;
  /** What the plugs of the set are called, by their references. */
  readonly plugs: ReadonlyMap<string, string>;
}

/** The way from pin to pin with what was found on it, and all that may stop it in the order of their chances. */
export function PathFollowed({ path, plugs }: PathProps) {
  const { route, suspects, looks, beside, explained } = path;
  if (route.length === 0) return null;
  const lookAt = new Map(looks.map(({ at, there }) => [at, there]));
  const passed = [...new Set(route.map((spot) => spot.split('.')[0]!))].flatMap((ref) => plugs.get(ref) ?? []);
  return (
    <section aria-label="The path">
      <h2 className="label">{fromTo(path)} · on its way</h2>
      <ol className={styles.way}>
        {route.map((spot) => {
          const there = lookAt.get(spot);
          return (
            <li key={spot} data-found={there === undefined ? undefined : there ? 'there' : 'gone'}>
              <span className="figure">{spot}</span>
              {there !== undefined && <small>{there ? '✓ there' : '✗ gone'}</small>}
            </li>
          );
        })}
      </ol>
      {passed.length > 0 && <p className="soft">Over {passed.join(', ')}.</p>}
      <table className={styles.nodes}>
        <tbody>
          {suspects.slice(0, 8).map((suspect) => (
            <tr key={`${suspect.kind} ${suspect.what}`}>
              <td>{suspectText(suspect)}</td>
              <td className="figure">{chanceText(suspect.chance)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {!explained && (
        <p role="alert" className="bad">
          No one thing explains all that was found: look again where it is there behind where it is gone, or it comes
          another way.
        </p>
      )}
      {beside.length > 0 && <p className="soft">Not on its way, as far as it is traced: {beside.join(', ')}.</p>}
    </section>
  );
}

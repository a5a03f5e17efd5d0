import { drawPicture, type Picture } from '@/core/picture';
import styles from './parts.module.css';

/** Said on a screen that lights up for a moment only. */
const briefly = '<text x="80" y="60" text-anchor="middle" font-size="13" fill="#9aa5ad">on, then off</text>';

/** The drawing as one text: of some dozen pieces each, a page may show sixty. */
function markupOf(picture: Picture): string {
  const shapes = drawPicture(picture).map(({ tag, attrs }) => {
    const said = Object.entries(attrs).map(([name, value]) => `${name}="${value}"`);
    return `<${tag} ${said.join(' ')}/>`;
  });
  return shapes.join('') + (picture.light < 0.1 && picture.brief ? briefly : '');
}

/** What a screen shows, drawn. `title` is read out instead; without one the drawing only decorates its label. */
export function PictureView({ picture, title }: { picture: Picture; title?: string }) {
  return (
    <span className={styles.picture}>
      <svg
        viewBox="0 0 160 110"
        {...(title === undefined ? { 'aria-hidden': true } : { role: 'img', 'aria-label': title })}
        preserveAspectRatio="none"
        style={{ aspectRatio: '160 / 110' }}
        dangerouslySetInnerHTML={{ __html: markupOf(picture) }}
      />
    </span>
  );
}

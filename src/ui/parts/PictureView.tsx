import { createElement } from 'react';
import { drawPicture, type Picture } from '@/core/picture';
import styles from './parts.module.css';

/** What a screen shows, drawn. `title` is read out instead; without one the drawing only decorates its label. */
export function PictureView({ picture, title }: { picture: Picture; title?: string }) {
  return (
    <span className={styles.picture}>
      <svg
        viewBox="0 0 160 110"
        {...(title === undefined ? { 'aria-hidden': true } : { role: 'img', 'aria-label': title })}
        preserveAspectRatio="none"
        style={{ aspectRatio: '160 / 110' }}
      >
        {drawPicture(picture).map(({ tag, attrs }, index) => {
          const { 'stroke-width': strokeWidth, ...rest } = attrs;
          return createElement(tag, { key: index, ...rest, ...(strokeWidth === undefined ? {} : { strokeWidth }) });
        })}
        {picture.light < 0.1 && picture.brief && (
          <text x="80" y="60" textAnchor="middle" fontSize="13" fill="#9aa5ad">
            on, then off
          </text>
        )}
      </svg>
    </span>
  );
}

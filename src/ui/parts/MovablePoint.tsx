import { type PointerEvent, type ReactNode, useRef } from 'react';
import { type Point } from '@/core/plane';
import styles from './glass.module.css';

interface MovablePointProps {
  /** In the drawing’s own points. */
  readonly at: Point;
  readonly label: string;
  /** Is it reached by Tab? By pointer it always is. */
  readonly inTabOrder?: boolean;
  readonly children: ReactNode;
  onMove(to: Point): void;
}

/** The place of a pointer in a drawing, in the drawing’s own points. */
function placeIn({ currentTarget, clientX, clientY }: PointerEvent<SVGGElement>): Point {
  const { x, y } = new DOMPoint(clientX, clientY).matrixTransform(
    currentTarget.ownerSVGElement!.getScreenCTM()!.inverse(),
  );
  return { x, y };
}

/** A mark in a drawing that is put in its place by pointer or arrow keys. */
export function MovablePoint({ at: { x, y }, label, inTabOrder = true, children, onMove }: MovablePointProps) {
  const held = useRef(false);
  const letGo = () => {
    held.current = false;
  };
  return (
    <g
      className={styles.movable}
      transform={`translate(${x} ${y})`}
      tabIndex={inTabOrder ? 0 : -1}
      role="slider"
      aria-label={`${label}; arrow keys move it`}
      aria-valuenow={Math.round(x)}
      aria-valuetext={`${Math.round(x)}, ${Math.round(y)}`}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        held.current = true;
      }}
      onPointerMove={(event) => {
        if (held.current) onMove(placeIn(event));
      }}
      onPointerUp={letGo}
      onPointerCancel={letGo}
      onKeyDown={(event) => {
        const by =
          (event.shiftKey ? 10 : 1) * Math.max(1, event.currentTarget.ownerSVGElement!.viewBox.baseVal.width / 1000);
        const step = { ArrowLeft: [-by, 0], ArrowRight: [by, 0], ArrowUp: [0, -by], ArrowDown: [0, by] }[event.key];
        if (!step) return;
        event.preventDefault();
        onMove({ x: x + step[0]!, y: y + step[1]! });
      }}
    >
      {children}
    </g>
  );
}

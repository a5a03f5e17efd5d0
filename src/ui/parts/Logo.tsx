/** A tube face with a trace on it. */
export function Logo({ size = 26 }: { size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 26 26" aria-hidden>
      <path d="M3 7 Q13 2 23 7 L23 19 Q13 24 3 19 Z" fill="none" stroke="var(--petrol)" strokeWidth="2.4" />
      <path
        d="M7 13h4l2-4 2 7 2-3h3"
        fill="none"
        stroke="var(--copper)"
        strokeWidth="2"
        strokeLinejoin="round"
        strokeLinecap="round"
      />
    </svg>
  );
}

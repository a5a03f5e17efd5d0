import Link from 'next/link';
import { EmptyState } from '@/ui';

export default function NotFound() {
  return (
    <div style={{ padding: 20 }}>
      <EmptyState title="Nothing by that address">
        <p>The set may have been closed: its note is in the notebook.</p>
        <Link href="/">To the queue</Link>
      </EmptyState>
    </div>
  );
}

import { useEffect } from 'react';

/** The page has the machine to itself for so long, in milliseconds. */
const later = 3000;

/** Keeps a page in the browser that is shown while the server does not answer, and says what waits to be sent. */
export function useOfflineShell() {
  useEffect(() => {
    if (process.env.NODE_ENV !== 'production' || !('serviceWorker' in navigator)) return;
    // A browser that was not let in, or allows none, goes without.
    const timer = setTimeout(
      () => void navigator.serviceWorker.register('/offline-worker.js').catch(() => undefined),
      later,
    );
    return () => clearTimeout(timer);
  }, []);
}

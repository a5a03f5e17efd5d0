// What was typed and not acknowledged yet, from where the pages of a job keep it.
const database = 'tovrik-outbox';
const store = 'waiting';
/** Lines that are listed at most. */
const most = 40;

/** All that waits, oldest first; nothing where no page of a job ever kept anything. */
function waiting() {
  return new Promise((resolve) => {
    const opening = indexedDB.open(database);
    // One that is not there is not made: its pages make it as they need it.
    opening.onupgradeneeded = () => opening.transaction.abort();
    opening.onerror = () => resolve([]);
    opening.onsuccess = () => {
      const opened = opening.result;
      const reading = opened.transaction(store).objectStore(store).getAll();
      reading.onsuccess = () => {
        opened.close();
        resolve(reading.result.toSorted((a, b) => a.order - b.order));
      };
      reading.onerror = () => resolve([]);
    };
  });
}

/** A line in the words it was typed in, or what kind it is. */
function said({ entry: { at, body } }) {
  const line = document.createElement('li');
  const time = document.createElement('time');
  time.dateTime = at;
  time.textContent = new Date(at).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit', hour12: false });
  const typed = body.text || [body.kind, body.store ?? body.control ?? body.power ?? ''].join(' ');
  line.append(time, typed);
  return line;
}

waiting().then((lines) => {
  const heading = document.getElementById('heading');
  const jobs = new Set(lines.map(({ job }) => job)).size;
  const count = `${lines.length} ${lines.length === 1 ? 'line waits' : 'lines wait'} in this browser`;
  heading.textContent =
    lines.length === 0 ? 'Nothing waits: all that was typed is kept' : jobs > 1 ? `${count}, of ${jobs} jobs` : count;
  document.getElementById('waiting').append(...lines.slice(-most).map(said));
});

setInterval(async () => {
  try {
    const answer = await fetch('/manifest.webmanifest', { cache: 'no-store' });
    if (answer.ok || answer.redirected) location.reload();
  } catch {
    // It is still away.
  }
}, 2000);

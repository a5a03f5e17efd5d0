/** A page that is not looked at paints nothing: by then it is done anyway, in milliseconds. */
const longestWait = 100;

/** Does something once what has just changed on the page is painted. @returns stops it */
export function afterPaint(run: () => void): () => void {
  const stop = () => {
    cancelAnimationFrame(frame);
    clearTimeout(late);
    channel.port1.onmessage = null;
  };
  const channel = new MessageChannel();
  const once = () => {
    stop();
    run();
  };
  channel.port1.onmessage = once;
  // What is queued during a frame runs behind its paint.
  const frame = requestAnimationFrame(() => channel.port2.postMessage(0));
  const late = setTimeout(once, longestWait);
  return stop;
}

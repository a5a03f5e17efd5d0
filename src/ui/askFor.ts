/** Panels that any page can be asked for. */
export type Panel = 'reckoner';

const eventOf = (panel: Panel) => `tovrik-${panel}`;

/** Asks for a panel to be opened over the page; whoever shows it listens. */
export const askFor = (panel: Panel): void => void window.dispatchEvent(new Event(eventOf(panel)));

/** Calls back whenever a panel is asked for. @returns the way to stop */
export function whenAsked(panel: Panel, open: () => void): () => void {
  window.addEventListener(eventOf(panel), open);
  return () => window.removeEventListener(eventOf(panel), open);
}

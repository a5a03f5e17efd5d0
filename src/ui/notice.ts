/** Whether this browser may be asked to tell something while its page is not looked at; undefined where it cannot. */
export const noticesAllowed = (): NotificationPermission | undefined =>
  typeof Notification === 'undefined' || !window.isSecureContext ? undefined : Notification.permission;

/** Asks whether notices may be shown. */
export const askForNotices = async (): Promise<boolean> => (await Notification.requestPermission()) === 'granted';

/** Tells something by a notice of the system, where that is allowed and the page is not looked at. */
export function notice(title: string, text: string): void {
  if (noticesAllowed() !== 'granted' || document.visibilityState === 'visible') return;
  try {
    new Notification(title, { body: text, icon: '/icon.svg', tag: `${title}: ${text}` });
  } catch {
    // Some telephones allow notices and then refuse them to a page: it is spoken and seen all the same.
  }
}

import { type Locator, type Page } from '@playwright/test';

/** An editor of a longer text, once it has come. */
export const source = (page: Page, label: string): Locator => page.locator('.cm-content').and(page.getByLabel(label));

/** Types another text over all that an editor holds. */
export async function retype(editor: Locator, text: string): Promise<void> {
  await editor.click();
  await editor.page().keyboard.press('Control+a');
  await editor.page().keyboard.insertText(text);
}

/** What an editor holds; of long texts what of it is in view. */
export const textIn = async (editor: Locator): Promise<string> =>
  (await editor.locator('.cm-line').allInnerTexts()).map((line) => (line === '\n' ? '' : line)).join('\n');

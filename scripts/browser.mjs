// A headless Chromium for benchmarks and screenshots.
import { chromium } from '@playwright/test';
import { ensureChromium } from './setup.mjs';

export function launch() {
  return chromium.launch({
    executablePath: ensureChromium(),
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
    ],
  });
}

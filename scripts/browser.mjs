/** A headless Chromium of our own: empty profile, nothing fetched in the background. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from './install.mjs';

export async function openBrowser() {
  const { default: puppeteer } = await import('puppeteer-core');
  const profile = mkdtempSync(join(tmpdir(), 'zinc-browser-'));
  const browser = await puppeteer.launch({
    executablePath: process.env.ZINC_CHROMIUM ?? (await chromium()),
    headless: true,
    userDataDir: profile,
    // A machine with much else to do answers late; one that hangs is ended by the test's own patience.
    protocolTimeout: 300_000,
    args: [
      '--headless',
      // Days as most of Europe writes them in English; another order has a test of its own.
      '--accept-lang=en-GB',
      '--no-sandbox',
      '--disable-gpu',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
      '--disable-quic',
      '--font-render-hinting=none',
    ],
  });
  return {
    async newPage() {
      const page = await browser.newPage();
      page.setDefaultTimeout(120_000);
      return page;
    },
    async close() {
      await browser.close();
      rmSync(profile, { recursive: true, force: true });
    },
  };
}

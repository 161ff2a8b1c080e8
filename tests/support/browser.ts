import AxeBuilder from '@axe-core/playwright';
import { type Browser, type BrowserContext, chromium, type Page } from 'playwright-core';
import { expect } from 'vitest';

const flags = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  // Letters stand as in a window of the whole Chromium.
  '--font-render-hinting=none',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

export function launchBrowser(): Promise<Browser> {
  return chromium.launch({ executablePath: process.env.IVORY_LADDER_CHROMIUM ?? '/usr/bin/chromium-headless-shell', args: flags });
}

export interface Visit {
  readonly page: Page;
  readonly context: BrowserContext;
  /** Fails on any console error, uncaught exception or violation of the Content-Security-Policy so far, but for what is expected. */
  expectQuiet(expected?: RegExp): void;
}

const visited = new Set<BrowserContext>();

/** Pages left open go on drawing and asking beside the tests that follow. */
export async function closeVisits(): Promise<void> {
  const contexts = [...visited];
  visited.clear();
  for (const context of contexts) await context.close();
}

/** A fresh context of its own, signed in by a session's cookie (none: nobody), watched from the start. */
export async function visit(browser: Browser, cookie: string, url: string, options: { width?: number; height?: number; dark?: boolean } = {}): Promise<Visit> {
  const context = await browser.newContext({
    viewport: { width: options.width ?? 1280, height: options.height ?? 800 },
    colorScheme: 'light',
    locale: 'en-GB',
  });
  visited.add(context);
  const [name = '', value = ''] = cookie.split('=');
  if (cookie !== '') await context.addCookies([{ name, value, url: new URL(url).origin }]);
  const page = await context.newPage();
  const faults: string[] = [];
  page.on('console', (message) => {
    if (message.type() === 'error') faults.push(message.text());
  });
  page.on('pageerror', (error) => faults.push(String(error)));
  await page.goto(url);
  return { page, context, expectQuiet: (expected) => expect(faults.filter((fault) => !expected?.test(fault))).toEqual([]) };
}

interface LookedAt {
  /** What is looked at where the rest of the page was before. */
  readonly within?: string;
  /** Where a view differs from one looked at whole by its colours alone. */
  readonly onlyContrast?: boolean;
}

/** What axe finds of serious or critical impact, as rule and first place. */
export async function seriousFindings(page: Page, { within = 'body', onlyContrast = false }: LookedAt = {}): Promise<string[]> {
  // One pass in the page itself: there are no frames, for which axe would open a second page each time.
  // Of what passes nothing is asked: to tell where each of it stands takes longer than to judge it.
  const axe = new AxeBuilder({ page: page as never })
    .setLegacyMode()
    .include(within)
    .options({ resultTypes: ['violations'] });
  const { violations } = await (onlyContrast ? axe.withRules(['color-contrast']) : axe.withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])).analyze();
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(({ id, nodes }) => `${id}: ${nodes[0]?.html.slice(0, 160)} (${nodes.length})`);
}

const millisecondsOfTransitions = 350;

/** In the light, then in the dark, where all but the colours is the same. */
export async function seriousFindingsInBoth(page: Page, within = 'body'): Promise<string[]> {
  const light = await seriousFindings(page, { within });
  const turn = async (colorScheme: 'light' | 'dark') => {
    await page.emulateMedia({ colorScheme });
    await page.locator(`html[data-theme=${colorScheme}]`).waitFor();
  };
  await turn('dark');
  await page.waitForTimeout(millisecondsOfTransitions);
  const dark = await seriousFindings(page, { within, onlyContrast: true });
  await turn('light');
  return [...light, ...dark.map((found) => `in the dark: ${found}`)];
}

/** The statement on screen: caption and the text of each figure, row by row. */
export async function shownFigures(page: Page): Promise<Map<string, string[]>> {
  await page.locator('table[role=treegrid] tbody tr').first().waitFor();
  const rows = await page
    .locator('table[role=treegrid] tbody tr')
    .evaluateAll((elements) =>
      elements.map((row) => [
        row.querySelector('th')?.textContent?.replace(/^[▸▾]/, '') ?? '',
        ...[...row.querySelectorAll('td')].map((cell) => cell.textContent ?? ''),
      ]),
    );
  return new Map(rows.filter((row) => row.slice(1).some((text) => text !== '')).map(([caption = '', ...texts]) => [caption, texts]));
}

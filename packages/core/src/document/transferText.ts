import type { CaptionLanguage } from '../layout/captionWords.ts';
import { printWords } from '../set/printWords.ts';
import type { PresentedTransfer } from '../statement/presentTransfers.ts';

/** `Interest: more in “Interest paid”, as much less in “Profit before tax”`: for whoever reads accounts and makes none; why, where that says more than the lines do. */
export function transferText({ text, from, on }: Pick<PresentedTransfer, 'text' | 'from' | 'on'>, language: CaptionLanguage): string {
  const said = printWords[language].transferred(from, on);
  return text === '' || text === from || text === on ? `${said.slice(0, 1).toLocaleUpperCase(language)}${said.slice(1)}` : `${text}: ${said}`;
}

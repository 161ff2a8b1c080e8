import type { History } from '@ivory-ladder/contract';
import { type CaptionLanguage, exampleOf, type NumberScheme, shortDay } from '@ivory-ladder/core';
import { counted } from '../../shared/words/counted.ts';
import { languageNames } from '../../shared/words/languageNames.ts';

type Event = History['events'][number];

const fieldNames: Readonly<Record<string, string>> = {
  number: 'number',
  name: 'name',
  element: 'element',
  normalSide: 'normal side',
  parent: 'below',
  place: 'category',
  term: 'term',
  step: 'step',
  contraOf: 'deducted from',
  active: 'active',
  role: 'role',
  purpose: 'purpose',
  externalNumber: 'external number',
  currency: 'currency',
  fiscalYearFirstMonth: 'first month of the fiscal year',
  digitOrder: 'order of numbers',
  numberScheme: 'number scheme',
  repeatedNames: 'repeated names',
  order: 'order among its siblings',
  mergedInto: 'merged into',
  codes: 'codes',
  languages: 'languages of captions',
  columns: 'columns',
  sortedBy: 'ordered by',
  sought: 'shows',
  neededOn: 'needed on',
  neededFor: 'needed for',
  notAllowedOn: 'not allowed on',
  inUse: 'version in use',
};

/** What an event did, as short lines: one for each field that was changed. */
export function historyLines({ thing, action, before, after }: Event): string[] {
  const [old, now] = [asFields(before), asFields(after)];
  if (thing === 'invitation')
    return [action === 'deleted' ? `Invitation of ${String(old.invited)} withdrawn` : `${String(now.invited)} invited as ${String(now.role)}`];
  if (thing === 'person') return [personLine(action, old, now)];
  if (thing === 'place' && action === 'added') return [`Placed in ${shown(now.place)}`];
  if (action === 'filled')
    return [
      `${shown(now.value)} given to ${String(now.lines)} lines without one${now.rule ? ` of ${shown(now.rule)}` : now.file ? ` by ${shown(now.file)}` : ''}`,
    ];
  if (action === 'noted') return [`Note: ${shown(now.note)}`];
  if (thing === 'code_list' && action === 'changed') return codeListLines(old, now);
  if (thing === 'budget' && Array.isArray(now.cells)) return budgetLines(old, now);
  if (thing === 'rate') return rateLines(old, now);
  if (thing === 'entry' && action === 'posted')
    return [`Posted${now.layer === 'adjustment' ? ' as an adjustment' : ''}${typeof now.text === 'string' && now.text !== '' ? `: ${shown(now.text)}` : ''}`];
  if (action !== 'changed') return [{ added: 'Added', deleted: 'Deleted', posted: 'Posted' }[action] ?? action];
  const lines = Object.keys(now).flatMap((field) => {
    if (field === 'order') return Array.isArray(now.order) && now.order.length === 0 ? [] : ['Order among its siblings changed'];
    if (field === 'ranges')
      return JSON.stringify(old.ranges) === JSON.stringify(now.ranges) ? [] : [`Account numbers: ${rangesShown(old.ranges)} → ${rangesShown(now.ranges)}`];
    if (field === 'locked') return [`${now.locked === true ? 'Locked' : 'Opened again'}${now.reason ? `: ${String(now.reason)}` : ''}`];
    if (field === 'captions') return captionLines(old.captions, now.captions);
    if (field === 'adjustingPeriod') return ['Has a period for adjustments from here on'];
    if (field === 'retainedEarnings') return ['Holds retained earnings from here on'];
    if (field === 'mergedInto') return [`Merged into ${shown(now.mergedInto)}`];
    if (field === 'shared' && old.shared !== now.shared) return [now.shared === true ? 'Shown to all' : 'Taken back from all'];
    if (field === 'attached') return [`Attached ${shown(now.attached)}`];
    if (field === 'detached') return [`Took the attached ${shown(now.detached)} away`];
    if (field === 'numbered') return [now.numbered === true ? 'Accounts have numbers from here on' : 'Accounts have names only from here on'];
    if (field === 'active') return [now.active === true ? 'Reopened' : 'Retired'];
    const name = fieldNames[field];
    if (name === undefined || JSON.stringify(old[field] ?? null) === JSON.stringify(now[field] ?? null)) return [];
    return [`${capital(name)}: ${shown(old[field])} → ${shown(now[field])}`];
  });
  return lines.length > 0 ? lines : ['Changed'];
}

function capital(text: string): string {
  return `${text.charAt(0).toUpperCase()}${text.slice(1)}`;
}

/** `1000 to 1999; 24* while in credit`. */
function rangesShown(ranges: unknown): string {
  const list = (Array.isArray(ranges) ? ranges : []) as { side: string; text: string }[];
  return shown(list.map(({ side, text }) => (side === 'any' ? text : `${text} while in ${side}`)).join('; '));
}

const mostCells = 4;

/** How many amounts were set, and the first of them. */
function budgetLines(old: Record<string, unknown>, now: Record<string, unknown>): string[] {
  type Cell = { account: string; period: number; amount: string };
  const [before, after] = [old.cells, now.cells].map((cells) => (Array.isArray(cells) ? cells : []) as Cell[]) as [Cell[], Cell[]];
  const told = after.slice(0, mostCells).map(({ account, period, amount }, at) => `${account}, period ${period}: ${before[at]?.amount ?? ''} → ${amount}`);
  const count = Number(now.count ?? after.length);
  return [
    `${counted(count, 'amount')} set${now.part ? ` of ${shown(now.part)}` : ''}`,
    ...told,
    ...(count > told.length && told.length > 0 ? [`and ${count - told.length} more`] : []),
  ];
}

/** How many rates were set, and the first of them. */
function rateLines(old: Record<string, unknown>, now: Record<string, unknown>): string[] {
  type Rate = { currency: string; kind: string; day: string; rate: string | null };
  const [before, after] = [old.rates, now.rates].map((rates) => (Array.isArray(rates) ? rates : []) as Rate[]) as [Rate[], Rate[]];
  const told = after
    .slice(0, mostCells)
    .map(({ currency, kind, day, rate }, at) => `${currency}, ${kind}, ${shortDay(day)}: ${before[at]?.rate ?? 'none'} → ${rate ?? 'none'}`);
  const count = Number(now.count ?? after.length);
  return [`${counted(count, 'rate')} set`, ...told, ...(count > told.length ? [`and ${count - told.length} more`] : [])];
}

const mostCodes = 6;

/** A name that changed, and the codes that were added, changed or taken away. */
function codeListLines(old: Record<string, unknown>, now: Record<string, unknown>): string[] {
  const codesOf = ({ codes }: Record<string, unknown>) =>
    (Array.isArray(codes) ? codes : []).flatMap((listed) => (listed ? [String((listed as { code: string }).code)] : []));
  const [before, after] = [codesOf(old), codesOf(now)];
  const told = (codes: readonly string[]) =>
    `${codes.slice(0, mostCodes).join(', ')}${codes.length > mostCodes ? ` and ${codes.length - mostCodes} more` : ''}`;
  const gone = before.filter((code) => !after.includes(code));
  return [
    ...(['name', 'neededFor', 'neededOn', 'notAllowedOn'] as const).flatMap((field) =>
      (old[field] ?? '') === (now[field] ?? '') ? [] : [`${capital(fieldNames[field] ?? field)}: ${shown(old[field])} → ${shown(now[field])}`],
    ),
    ...(after.length > 0 ? [`Set: ${told(after)}`] : []),
    ...(gone.length > 0 ? [`Until then: ${told(gone)}`] : []),
  ];
}

/** One line for each language in which the caption is another. */
function captionLines(before: unknown, after: unknown): string[] {
  const [was, is] = [before, after].map(
    (captions) => new Map((Array.isArray(captions) ? captions : []).map(({ language, caption }) => [String(language), String(caption)])),
  );
  return [...new Set([...(was?.keys() ?? []), ...(is?.keys() ?? [])])]
    .filter((language) => was?.get(language) !== is?.get(language))
    .map((language) => `Caption in ${languageNames[language as CaptionLanguage] ?? language}: ${shown(was?.get(language))} → ${shown(is?.get(language))}`);
}

function personLine(action: string, old: Record<string, unknown>, now: Record<string, unknown>): string {
  if (action === 'added') return `Added as ${String(now.role)}`;
  if (typeof now.mayAddCompanies === 'boolean') return now.mayAddCompanies ? 'May add companies' : 'May not add companies any more';
  return action === 'deleted' ? `Removed; was ${String(old.role)}` : `Role: ${shown(old.role)} → ${shown(now.role)}`;
}

function asFields(state: unknown): Record<string, unknown> {
  return typeof state === 'object' && state !== null && !Array.isArray(state) ? (state as Record<string, unknown>) : {};
}

function shown(value: unknown): string {
  if (value === undefined || value === null || value === '') return 'none';
  if (Array.isArray(value)) return value.length === 0 ? 'none' : `«${value.map(String).join(', ')}»`;
  if (typeof value === 'object') return `«${exampleOf(value as NumberScheme)}»`;
  const text = String(value).replaceAll('_', ' ');
  return `«${text.length > 60 ? `${text.slice(0, 59)}…` : text}»`;
}

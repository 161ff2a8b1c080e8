import type { LineComparison } from '@ivory-ladder/core';

/** Fields of lines and layouts as the panel calls them; what is in no panel is not named by itself. */
const words: Readonly<Record<string, string>> = {
  caption: 'caption',
  captions: 'caption in other languages',
  look: 'print',
  shown: 'when it is shown',
  hiddenIn: 'where it is shown',
  note: 'note',
  side: 'which side is positive',
  reversed: 'sign',
  totalCaption: 'caption of its subtotal',
  totalCaptions: 'subtotal in other languages',
  followed: 'what it follows',
  frame: 'frame',
  backwards: 'order',
  adjustments: 'adjustments',
  inserted: 'lines put among its own',
  sources: 'what it takes',
  except: 'exceptions',
  takes: 'balances it takes',
  facets: 'facet values',
  measure: 'what it measures',
  direction: 'direction',
  byAccount: 'detail',
  byTree: 'detail',
  elements: 'elements',
  terms: 'terms',
  formula: 'formula',
  result: 'result',
  only: 'profit or loss',
  of: 'which cash',
  addedBackOn: 'where it is added back',
  freedOn: 'where profit is freed of what moved without cash',
  kind: 'kind of line',
  title: 'title',
  titles: 'title in other languages',
  scope: 'elements that have to stand in it',
  overdraftsApart: 'overdrafts',
  withoutCash: 'what moved without cash',
  transfers: 'amounts moved between lines',
  columns: 'columns',
};

/** `what it takes, caption; moved`: how a line is made otherwise than before. */
export function changedSettings({ state, fields, isMoved }: Pick<LineComparison, 'state' | 'fields' | 'isMoved'>): string {
  if (state === 'added') return 'new';
  if (state === 'removed') return 'gone';
  return [settingNames(fields), isMoved ? 'moved' : ''].filter(Boolean).join('; ');
}

export function settingNames(fields: readonly string[]): string {
  return [...new Set(fields.map((field) => words[field] ?? field))].join(', ');
}

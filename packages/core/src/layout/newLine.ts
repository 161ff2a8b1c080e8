import { type OwnLine, type OwnLineKind, plainLook } from './ownLayout.ts';

/** What a line of a kind is. */
type OwnLineOf<Kind extends OwnLineKind> = OwnLine extends infer One
  ? One extends { readonly kind: infer Kinds }
    ? Kind extends Kinds
      ? One
      : never
    : never
  : never;

/** A line of a kind with nothing set but its key and caption. */
export function newLine<Kind extends OwnLineKind>(kind: Kind, key: string, caption: string): OwnLineOf<Kind> {
  return made(kind, key, caption) as OwnLineOf<Kind>;
}

function made(kind: OwnLineKind, key: string, caption: string): OwnLine {
  const base = { key, caption, captions: [], look: plainLook, shown: 'with_amounts' as const, hiddenIn: null, note: '' };
  const signed = { side: null, reversed: false };
  switch (kind) {
    case 'heading':
      return { ...base, kind, children: [] };
    case 'group':
      return { ...base, ...signed, kind, totalCaption: '', totalCaptions: [], children: [] };
    case 'follows':
      return {
        ...base,
        ...signed,
        kind,
        totalCaption: '',
        totalCaptions: [],
        followed: { of: 'element', element: 'asset' },
        frame: 'bare',
        adjustments: [],
        inserted: [],
      };
    case 'accounts':
    case 'memo':
      return { ...base, ...signed, kind, sources: [], except: [], takes: 'any', facets: {}, measure: 'column', byAccount: false };
    case 'remainder':
      return { ...base, ...signed, kind, elements: [], byAccount: false };
    case 'sum':
      return { ...base, ...signed, kind, terms: [] };
    case 'calculation':
      return { ...base, ...signed, kind, formula: '', result: 'amount' };
    case 'result':
      return { ...base, kind, reversed: false };
    case 'cash':
      return { ...base, shown: 'always', kind, of: 'closing', addedBackOn: null };
    case 'text':
    case 'space':
      return { ...base, kind };
  }
}

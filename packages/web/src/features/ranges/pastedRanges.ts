import { type CategoryTree, type DigitOrder, type PlaceSide, pathOf, rangesJoined } from '@ivory-ladder/core';
import { type ChartNumbers, rangeFault, readTypedRange } from '../placement/index.ts';

/** What a column of the block is; `from` and `to` are the ends of one span. */
type BlockColumn = PlaceSide | 'from' | 'to' | null;

const columnHeadings: Readonly<Record<string, BlockColumn>> = {
  'numbers it takes': 'any',
  numbers: 'any',
  range: 'any',
  ranges: 'any',
  'account numbers': 'any',
  'in debit': 'debit',
  'in credit': 'credit',
  from: 'from',
  to: 'to',
};
const nameHeadings: ReadonlySet<string> = new Set(['category', 'subcategory', 'name', 'path']);

export interface PastedRanges {
  /** The text that each category is to have for a side; what the block leaves empty is not in it. */
  readonly texts: ReadonlyMap<number, ReadonlyMap<PlaceSide, string>>;
  /** What of the block could not be taken, so that nothing of it is; in rows of the block from 1 on. */
  readonly faults: readonly { readonly row: number; readonly said: string }[];
}

export interface RangesHere {
  readonly tree: CategoryTree;
  readonly digitOrder: DigitOrder;
  readonly numbers: ChartNumbers;
}

/**
 * A block of a spreadsheet as ranges of categories. Where the first of its columns names categories (by name, or by path
 * with `›`, `/` or `:` between), each row goes to the one it names, several rows of one together; behind the name stand its numbers,
 * those in debit and in credit, or the first and the last number in two columns. Else the block goes from a cell on down:
 * `keys` are the categories from there, `sides` the columns. `null`: text that is no block.
 */
export function pastedRanges(
  text: string,
  at: { readonly keys: readonly number[]; readonly sides: readonly PlaceSide[] } | null,
  here: RangesHere,
): PastedRanges | null {
  const lines = text.replace(/\r\n?/g, '\n').replace(/\n+$/, '').split('\n');
  const rows = lines.map((line) => line.split('\t').map((cell) => cell.trim()));
  const named = categoriesNamed(here.tree);
  const find = (name: string) => named.get(nameKey(name)) ?? [];
  const [head = [], ...behind] = rows;
  const hasHeadings = nameHeadings.has((head[0] ?? '').toLowerCase()) && head.length > 1;
  const body = hasHeadings ? behind : rows;
  const isNamed = body.some((cells) => cells.length > 1) && (hasHeadings || body.some(([name = '']) => find(name).length > 0));
  if (!isNamed && !at) return null;
  const columns = isNamed ? columnsOf(hasHeadings ? head.slice(1) : null, body) : (at?.sides ?? []);
  const texts = new Map<number, Map<PlaceSide, string>>();
  const faults: { row: number; said: string }[] = [];
  for (const [index, cells] of body.entries()) {
    const row = index + 1 + (hasHeadings ? 1 : 0);
    const values = valuesOf(isNamed ? cells.slice(1) : cells, columns);
    if (values.size === 0) continue;
    const found = isNamed ? find(cells[0] ?? '') : (at?.keys[index] ?? null);
    const ids = Array.isArray(found) ? found : found === null ? [] : [found];
    const [id, other] = ids;
    if (id === undefined) {
      faults.push({ row, said: isNamed ? `«${cells[0] ?? ''}» is no category here` : 'there is no category left to take it' });
      continue;
    }
    if (other !== undefined) {
      faults.push({ row, said: `«${cells[0]}» is the name of ${ids.length} categories: write the path, as Parent › ${cells[0]}` });
      continue;
    }
    const own = texts.get(id) ?? new Map<PlaceSide, string>();
    for (const [side, value] of values) {
      const read = readTypedRange(value, here.numbers, here.digitOrder);
      if (read.ok) {
        // As text one after the other, what comes behind an exception would be one too.
        const before = own.get(side);
        const joined = before === undefined ? null : rangesJoined([{ side, text: before }], [{ side, text: read.value.text }], here.digitOrder);
        const text = before === undefined ? read.value.text : joined?.[0]?.text;
        if (text === undefined) faults.push({ row, said: `«${value}» lies within an exception of another row of its category, or the other way round` });
        else own.set(side, text);
      } else {
        const { wrong, said } = rangeFault(value, read.failure);
        faults.push({ row, said: `«${value}» cannot be read at «${wrong}»: ${said}` });
      }
    }
    texts.set(id, own);
  }
  return { texts, faults };
}

function nameKey(name: string): string {
  return name
    .toLowerCase()
    .split(/\s*[›>/:]\s*/)
    .join(' › ')
    .trim();
}

/** Categories by their name and by each path that ends with it. */
function categoriesNamed(tree: CategoryTree): Map<string, number[]> {
  const named = new Map<string, number[]>();
  for (const node of tree.nodes.values()) {
    const path = pathOf(node);
    for (let from = 0; from < path.length; from++) {
      const key = nameKey(path.slice(from).join(' › '));
      named.set(key, [...(named.get(key) ?? []), node.category.id]);
    }
  }
  return named;
}

/** Without headings: two columns that hold one number each are the ends of a span; a column that stands alone holds ranges as text. */
function columnsOf(headings: readonly string[] | null, body: readonly (readonly string[])[]): BlockColumn[] {
  if (headings) return headings.map((heading) => columnHeadings[heading.toLowerCase()] ?? null);
  const isNumber = (cell: string | undefined) => cell !== undefined && /^\d[\w.-]*$/.test(cell);
  const both = body.filter(([, first, second]) => first && second);
  const areEnds = both.length > 0 && both.every((cells) => cells.length === 3 && isNumber(cells[1]) && isNumber(cells[2]));
  return areEnds ? ['from', 'to'] : ['any', 'debit', 'credit'];
}

function valuesOf(cells: readonly string[], columns: readonly BlockColumn[]): Map<PlaceSide, string> {
  const values = new Map<PlaceSide, string>();
  const of = (column: BlockColumn) => cells[columns.indexOf(column)] ?? '';
  for (const side of ['any', 'debit', 'credit'] as const) if (columns.includes(side) && of(side) !== '') values.set(side, of(side));
  if (columns.includes('from')) {
    const [from, to] = [of('from'), of('to')];
    if (from !== '') values.set('any', to === '' || to === from ? from : `${from} to ${to}`);
  }
  return values;
}

import { formatAmount, type Outcome, pathOf, succeed, yearName } from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { openBooks } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { Books, HistoryEvent, HistoryWanted, Ports, ToldEvent } from '../ports/index.ts';

export async function viewHistory(
  ports: Ports,
  { companyId }: Access<'see_papers'>,
  wanted: HistoryWanted,
): Promise<Outcome<{ books: Books; events: readonly ToldEvent[]; next: number | null }, Failure>> {
  const opened = await openBooks(ports, companyId);
  if (!opened.ok) return opened;
  const books = opened.value;
  const { events, next } = await ports.chart.history(companyId, wanted);
  const names = new Names(books);
  return succeed({
    books,
    events: events.map((event) => ({
      ...event,
      before: names.tell(event, event.before),
      after: names.tell(event, event.after),
      label: names.labelOf(event),
      who: whoOf(event),
    })),
    next,
  });
}

function whoOf({ actor, actorId, isNameShared }: HistoryEvent): string {
  return isNameShared && actorId !== null ? `${actor} (person ${actorId})` : actor;
}

/** Today's names; what is gone is named as it was when it was last changed, or by its number alone. */
class Names {
  constructor(private readonly books: Books) {}

  labelOf({ thing, thingId, before, after }: HistoryEvent): string {
    const state = asFields(after) ?? asFields(before) ?? {};
    switch (thing) {
      case 'account':
      case 'place':
        return (
          this.books.labels.get(thingId) ??
          ([state.number, state.name].filter((part) => typeof part === 'string' && part !== '').join(' ') || `account ${thingId}`)
        );
      case 'category':
        return this.category(thingId) ?? (typeof state.name === 'string' ? state.name : `category ${thingId}`);
      case 'entry':
        return `Entry of ${String(state.date ?? '')}`.trim();
      case 'journal_import':
        return `Journal lines from ${String(state.name ?? 'a file')}`;
      case 'trial_balance':
        return `Trial balance at ${String(state.day ?? '')}`.trim();
      case 'column_plan':
        return `Column plan ${String(state.name ?? thingId)}`;
      case 'layout':
        return `Layout ${String(state.name ?? thingId)}`;
      case 'statement_set':
        return `Set ${String(state.name ?? thingId)}`;
      case 'layout_options':
        return 'Layouts';
      case 'person':
        return typeof state.name === 'string' ? state.name : `person ${thingId}`;
      case 'code_list':
        return typeof state.name === 'string' ? state.name : `list ${thingId}`;
      case 'budget':
        return `Budget ${typeof state.name === 'string' ? state.name : thingId}${typeof state.year === 'number' ? ` of ${this.yearNameOf(state.year)}` : ''}`;
      case 'document_series':
        return `Document series ${String(state.code ?? thingId)}`;
      case 'role':
        return `Role ${String(state.name ?? thingId)}`;
      case 'rate':
        return 'Exchange rates';
      case 'coverage':
        return this.books.labels.get(thingId) ?? `account ${thingId}`;
      case 'classification':
        return typeof state.name === 'string' ? state.name : (this.books.classifications.find(({ id }) => id === thingId)?.name ?? `Classification ${thingId}`);
      case 'pairing_rule':
        return `${String(state.firstValue)} not with ${String(state.secondValue)}`;
      case 'view':
        return `View ${String(state.name ?? thingId)}`;
      case 'period':
        return `Period ${thingId % 100} of ${this.yearNameOf(Math.floor(thingId / 100))}`;
      case 'year':
        return `Fiscal year ${thingId}`;
      default:
        return this.books.company.name;
    }
  }

  private yearNameOf(year: number): string {
    const made = this.books.calendar.years.find((one) => one.year === year);
    return made ? yearName(made) : String(year);
  }

  /** Names in the place of the ids that people never see. */
  tell({ thing }: HistoryEvent, state: unknown): unknown {
    if (thing === 'place') {
      const places = (Array.isArray(state) ? state : state === null ? [] : [state]) as { side: string; categoryId: number }[];
      return {
        place: places
          .map(({ side, categoryId }) => `${this.category(categoryId) ?? `category ${categoryId}`}${side === 'any' ? '' : ` (in ${side})`}`)
          .join('; '),
      };
    }
    if (thing === 'budget') return this.budgetState(asFields(state));
    const fields = asFields(state);
    if (!fields || thing !== 'account') return state;
    const coded = 'codes' in fields ? { ...fields, codes: this.codes(fields.codes) } : fields;
    if (!('parentId' in coded)) return coded;
    const { parentId, ...rest } = coded;
    return { ...rest, parent: typeof parentId === 'number' ? (this.books.labels.get(parentId) ?? `account ${parentId}`) : '' };
  }

  /** Cells by the names of their accounts; what is told of cells is the budget's alone. */
  private budgetState(state: Record<string, unknown> | null): unknown {
    if (!state || !Array.isArray(state.cells)) return state;
    const { currency } = this.books.company;
    const cells = state.cells as { accountId: number; period: number; amount: string }[];
    return {
      ...state,
      cells: cells.map(({ accountId, period, amount }) => ({
        account: this.books.labels.get(accountId) ?? `account ${accountId}`,
        period,
        amount: formatAmount(BigInt(amount), currency),
      })),
    };
  }

  /** `Group reporting: 1.20; Tax return: 7`. */
  private codes(codes: unknown): string {
    return Object.entries(asFields(codes) ?? {})
      .map(([key, code]) => `${this.books.lists.find((list) => list.key === key)?.name ?? 'a list that is gone'}: ${String(code)}`)
      .join('; ');
  }

  private category(id: number): string | undefined {
    const node = this.books.classifications.map(({ categoryTree }) => categoryTree.nodes.get(id)).find((found) => found !== undefined);
    return node && pathOf(node).join(' › ');
  }
}

function asFields(state: unknown): Record<string, unknown> | null {
  return typeof state === 'object' && state !== null && !Array.isArray(state) ? (state as Record<string, unknown>) : null;
}

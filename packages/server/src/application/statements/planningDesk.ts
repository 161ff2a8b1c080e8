import { type DefinitionNeed, Definitions, type Ground, lastMomentOf, type Outcome, type OwnLayout, type PlanFailure, type Unknown } from '@ivory-ladder/core';
import { inClassification } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { Books, LayoutRecord, Ports } from '../ports/index.ts';
import { groundOf } from './groundOf.ts';

/** The known of a plan: the grounds of the books by classification, and definitions, which are read as they are asked for. */
export class PlanningDesk {
  readonly definitions = new Definitions();
  private readonly made = new Map<number, Ground | null>();

  constructor(
    readonly ports: Pick<Ports, 'layouts' | 'columnPlans' | 'budgets' | 'placement' | 'rates'>,
    readonly books: Books,
  ) {}

  readonly grounds = (classificationId: number): Ground | null => {
    const made = this.made.get(classificationId);
    if (made !== undefined) return made;
    const classified = inClassification(this.books, classificationId);
    const ground = classified.ok ? groundOf(classified.value) : null;
    this.made.set(classificationId, ground);
    return ground;
  };

  /** Of a classification that is there. */
  ground(classificationId: number): Ground {
    const ground = this.grounds(classificationId);
    if (!ground) throw new Error(`there is no classification ${classificationId}`);
    return ground;
  }

  /** Makes a plan in rounds: what it misses is read, and it is made again. */
  async plan<Value>(make: () => Outcome<Value, PlanFailure | Unknown>): Promise<Outcome<Value, Failure>> {
    for (;;) {
      const planned = make();
      if (planned.ok || planned.failure.code !== 'definitions_missing') return planned as Outcome<Value, Failure>;
      const missing = this.definitions.takeMissing();
      if (missing.length === 0) throw new Error('a plan misses definitions and names none');
      await Promise.all(missing.map((need) => this.read(need)));
    }
  }

  private async read(need: DefinitionNeed): Promise<void> {
    const { ports, definitions } = this;
    const { id: companyId } = this.books.company;
    switch (need.of) {
      case 'layout': {
        const record = await ports.layouts.record(companyId, need.id);
        definitions.give(need, record && { ...record, own: await this.versionInUse(record) });
        return;
      }
      case 'column_plan':
        definitions.give(need, (await ports.columnPlans.find(companyId, need.id))?.definition ?? null);
        return;
      case 'budget':
        definitions.give(need, (await ports.budgets.list(companyId)).find(({ id }) => id === need.id) ?? null);
        return;
      case 'past_placement': {
        const past = await ports.placement.at(companyId, need.classificationId, lastMomentOf(need.day));
        definitions.give(need, past.categories.length === 0 ? null : past);
        return;
      }
      case 'rates':
        definitions.give(
          need,
          (await ports.rates.list(companyId)).filter(({ currency }) => currency === need.currency),
        );
    }
  }

  /** Read once for each state of the chart and placement, as a version never changes; `null` where none is in use. */
  readonly versionInUse = async ({ id, inUse }: Pick<LayoutRecord, 'id' | 'inUse'>): Promise<OwnLayout | null> => {
    if (inUse === null) return null;
    const { books } = this;
    const kept = versionsOf.get(books.accounts) ?? new Map<string, OwnLayout>();
    versionsOf.set(books.accounts, kept);
    const key = `${books.company.id} ${id} ${inUse}`;
    const value = kept.get(key);
    if (value) return value;
    const version = await this.ports.layouts.findVersion(books.company.id, id, inUse);
    if (version) kept.set(key, version.definition);
    return version?.definition ?? null;
  };
}

const versionsOf = new WeakMap<Books['accounts'], Map<string, OwnLayout>>();

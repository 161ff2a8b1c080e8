import { beginCashFlow } from '../layout/beginCashFlow.ts';
import { beginChangesInEquity } from '../layout/beginChangesInEquity.ts';
import { beginLayout } from '../layout/beginLayout.ts';
import type { CaptionLanguage } from '../layout/captionWords.ts';
import { type CompiledLayout, compileLayout, isMemoLine } from '../layout/compileLayout.ts';
import { expandLayout } from '../layout/expandLayout.ts';
import { generateBalanceSheet } from '../layout/generateBalanceSheet.ts';
import { generateIncomeStatement } from '../layout/generateIncomeStatement.ts';
import type { LayoutFacts } from '../layout/layoutFacts.ts';
import type { GeneratedName } from '../layout/line.ts';
import { type OwnLayout, scopeOf } from '../layout/ownLayout.ts';
import { naturesOf } from '../placement/cashNature.ts';
import { translationAccountId } from '../translation/translateCube.ts';
import { withDifferenceLine } from '../translation/withDifferenceLine.ts';
import { accountById, type Ground, mainLanguageOf, treeIn } from './ground.ts';

/** Layouts follow the placement: they are made from it, once for each structure, which every state of the ledger over it shares. */
interface MadeOver {
  readonly generated: Map<CaptionLanguage, Record<GeneratedName, CompiledLayout>>;
  readonly composed: WeakMap<OwnLayout, Map<CaptionLanguage, CompiledLayout>>;
  readonly facts: Map<string, LayoutFacts>;
}

const madeOver = new WeakMap<Ground['portions'], MadeOver>();

function madeOn({ portions }: Pick<Ground, 'portions'>): MadeOver {
  const made = madeOver.get(portions) ?? { generated: new Map(), composed: new WeakMap(), facts: new Map() };
  madeOver.set(portions, made);
  return made;
}

/** In a language of the company, its main one where none is asked for. */
export function generatedOn(ground: Ground, language: CaptionLanguage = mainLanguageOf(ground)): Record<GeneratedName, CompiledLayout> {
  const { generated } = madeOn(ground);
  const made = generated.get(language);
  if (made) return made;
  const { portions, options, retainedEarningsId, accountIds } = ground;
  const facts = { tree: treeIn(ground, language), language, portions, options, retainedEarningsId };
  const compiled = madeWhenAsked({
    balance_sheet: () => compileLayout(generateBalanceSheet(facts), accountIds, portions),
    income_statement: () => compileLayout(generateIncomeStatement(facts), accountIds, portions),
    cash_flow: () => composedOn(ground, beginCashFlow(options.cashFlow, language), language),
    changes_in_equity: () => composedOn(ground, beginChangesInEquity(language), language),
    trial_balance: () => composedOn(ground, beginLayout('trial_balance', facts), language),
  });
  generated.set(language, compiled);
  return compiled;
}

/** Each the first time that somebody asks for it: a placement that is rehearsed is run as two of them. */
function madeWhenAsked(makers: Readonly<Record<GeneratedName, () => CompiledLayout>>): Record<GeneratedName, CompiledLayout> {
  const made = {} as Record<GeneratedName, CompiledLayout>;
  for (const [name, make] of Object.entries(makers) as [GeneratedName, () => CompiledLayout][])
    Object.defineProperty(made, name, {
      configurable: true,
      enumerable: true,
      get: () => {
        const value = make();
        Object.defineProperty(made, name, { value, enumerable: true });
        return value;
      },
    });
  return made;
}

/** A composed layout made ready over the chart and placement; in another currency with a line for the difference that translation leaves, where none takes it. */
export function composedOn(ground: Ground, own: OwnLayout, language: CaptionLanguage): CompiledLayout {
  const { composed } = madeOn(ground);
  const ready = composed.get(own) ?? new Map<CaptionLanguage, CompiledLayout>();
  composed.set(own, ready);
  const made = ready.get(language) ?? compileOwn(ground, own, language);
  ready.set(language, made);
  return made;
}

function compileOwn(ground: Ground, own: OwnLayout, language: CaptionLanguage): CompiledLayout {
  const compiled = (layout: OwnLayout): CompiledLayout =>
    compileLayout(expandLayout(layout, factsOn(ground, own, language)).layout, ground.accountIds, ground.portions);
  if (ground.money.in === 'own' || !scopeOf(own).includes('equity')) return compiled(own);
  const withLine = withDifferenceLine(own, translationAccountId, mainLanguageOf(ground));
  // What moves in a cash flow, or in equity, stands on lines of its own; a balance sheet may follow the category that the difference has.
  if (own.kind !== 'balance_sheet' && own.kind !== 'free') return compiled(withLine);
  const plain = compiled(own);
  return takesAccount(plain, ground.indexOf.get(translationAccountId) ?? -1) ? plain : compiled(withLine);
}

function takesAccount({ lineOfCredit, takes, lines }: CompiledLayout, account: number): boolean {
  return (lineOfCredit[account] ?? -1) >= 0 || takes.some((take) => take.account === account && !isMemoLine(lines[take.line]));
}

/** What a composed layout is made over. Once for each structure. */
export function factsOn(ground: Ground, layout: Pick<OwnLayout, 'kind' | 'scope'>, language: CaptionLanguage): LayoutFacts {
  const scope = scopeOf(layout);
  const isCashFlow = layout.kind === 'cash_flow';
  const key = `${language} ${scope.join()} ${isCashFlow}`;
  const { facts: before } = madeOn(ground);
  const there = before.get(key);
  if (there) return there;
  const byId = accountById(ground);
  const facts: LayoutFacts = {
    accounts: ground.accountIds.flatMap((id) => {
      const account = byId.get(id);
      const of = ground.standIns?.standFor.get(id);
      // A source that names an account takes what stands in for it too.
      return account === undefined ? [] : [of === undefined ? account : { ...account, parentId: of }];
    }),
    tree: treeIn(ground, language),
    natures: naturesOf(ground.categoryTree, ground.categories),
    // In a cash flow the difference of translation is what exchange rates did to cash, and follows no category.
    portions: isCashFlow && ground.money.in === 'other' ? new Map([...ground.portions].filter(([id]) => id !== translationAccountId)) : ground.portions,
    order: ground.digitOrder,
    retainedEarningsId: ground.retainedEarningsId,
    language,
    scope,
    lists: ground.lists,
  };
  before.set(key, facts);
  return facts;
}

import { type Element, naturalSide } from '../chart/element.ts';
import type { Nature } from '../placement/category.ts';
import { type CategoryNode, walkCategories } from '../placement/categoryTree.ts';
import { type CaptionLanguage, captionWords } from './captionWords.ts';
import { type CashFlowWords, cashFlowWords } from './cashFlowWords.ts';
import type { AccountsLine, Direction, Selection } from './line.ts';
import { type SourceFacts, sidesIn } from './source.ts';

/** What of a cash flow follows the balance sheet's categories, by the nature of their flows. */
export const flowParts = ['without_cash', 'working_capital', 'investing', 'financing'] as const;
export type FlowPart = (typeof flowParts)[number];

/** The widest branches of the tree whose categories are all of one nature; `isOwn`: the category without those below it. */
interface FlowUnit {
  readonly node: CategoryNode;
  readonly nature: Nature;
  readonly isOwn: boolean;
  readonly categoryIds: ReadonlySet<number>;
}

/** How a line takes some accounts of a unit. */
interface Flow {
  readonly name: string;
  readonly caption: (words: CashFlowWords, caption: string) => string;
  readonly takes: 'plain' | 'contra' | 'both';
  readonly direction?: Direction;
}

const additions: Flow = { name: 'added', caption: (words, caption) => words.additions(caption), takes: 'plain', direction: 'increase' };
const disposals: Flow = { name: 'disposed', caption: (words, caption) => words.disposals(caption), takes: 'both', direction: 'decrease' };
const charge: Flow = { name: 'charged', caption: (words, caption) => words.charge(caption), takes: 'contra', direction: 'increase' };
const proceeds: Flow = { name: 'received', caption: (words, caption) => words.proceeds(caption), takes: 'plain', direction: 'increase' };
const repayments: Flow = { name: 'repaid', caption: (words, caption) => words.repayments(caption), takes: 'plain', direction: 'decrease' };
/** Of equity, what raises it and what lowers it: own shares are bought for money that goes out. */
const ofOwners: readonly Flow[] = [
  { ...proceeds, takes: 'both' },
  { ...repayments, takes: 'both' },
];

/**
 * The lines of one part: working capital and items without cash by their net movement; investing and financing by what comes and
 * what goes, since major classes are not netted (IAS 7.21). What is charged to a contra account of an asset, such as
 * depreciation, is an item without cash; what goes off it goes with the disposal. An account that stands in two categories,
 * by its side, is taken by its movement there. Over all parts every account of a category with such a nature stands once.
 * Cash is in none. Cost: categories × accounts.
 */
export function flowLines(part: FlowPart, facts: SourceFacts, cash: Selection, language: CaptionLanguage): AccountsLine[] {
  const isCash = new Set(cash.accounts);
  return (['asset', 'liability', 'equity'] as const).flatMap((element) =>
    unitsIn(facts.tree.tops.get(element) ?? [], facts.natures).flatMap((unit) => linesOf(unit, part, facts, isCash, language)),
  );
}

function unitsIn(nodes: readonly CategoryNode[], natures: SourceFacts['natures']): FlowUnit[] {
  const natureOf = ({ category }: CategoryNode): Nature => natures.get(category.id) ?? 'operating';
  const contrasOf = (node: CategoryNode): readonly CategoryNode[] => nodes.filter(({ category }) => category.contraOf === node.category.id);
  const ids = new Set(nodes.map(({ category }) => category.id));
  return nodes.flatMap((node): FlowUnit[] => {
    // A deduction goes with what it is deducted from, unless it is of another nature.
    const { contraOf } = node.category;
    const host = contraOf !== null && ids.has(contraOf) ? nodes.find(({ category }) => category.id === contraOf) : undefined;
    const nature = natureOf(node);
    const isUniform = allBelow([node]).every((one) => natureOf(one) === nature);
    if (host && isUniform && natureOf(host) === nature) return [];
    const along = contrasOf(node).filter((contra) => allBelow([contra]).every((one) => natureOf(one) === nature));
    if (isUniform) return [{ node, nature, isOwn: false, categoryIds: idsOf(allBelow([node, ...along])) }];
    return [{ node, nature, isOwn: true, categoryIds: idsOf([node, ...allBelow(along)]) }, ...unitsIn(node.children, natures)];
  });
}

function allBelow(nodes: readonly CategoryNode[]): CategoryNode[] {
  const found: CategoryNode[] = [];
  walkCategories(nodes, (node) => void found.push(node));
  return found;
}

function idsOf(nodes: readonly CategoryNode[]): ReadonlySet<number> {
  return new Set(nodes.map(({ category }) => category.id));
}

function flowsOf(part: FlowPart, nature: Nature, element: Element): readonly Flow[] {
  switch (part) {
    case 'working_capital':
      return [];
    case 'without_cash':
      return element === 'asset' && (nature === 'investing' || nature === 'financing') ? [charge] : [];
    case 'investing':
    case 'financing':
      if (nature !== part) return [];
      if (element === 'equity') return ofOwners;
      return element === 'asset' ? [additions, disposals] : [proceeds, repayments];
  }
}

/** Natures whose categories a part takes by their net movement. */
const netOf: Readonly<Record<FlowPart, Nature>> = { working_capital: 'operating', without_cash: 'none', investing: 'investing', financing: 'financing' };

function linesOf(
  { node, nature, isOwn, categoryIds }: FlowUnit,
  part: FlowPart,
  facts: SourceFacts,
  isCash: ReadonlySet<number>,
  language: CaptionLanguage,
): AccountsLine[] {
  const { category } = node;
  const words = cashFlowWords[language];
  const flows = flowsOf(part, nature, category.element);
  const isByDirection = nature === 'investing' || nature === 'financing';
  const caption = isOwn ? captionWords[language].notSubdivided(category.name) : category.name;
  const select = (takes: (isWhole: boolean, isContra: boolean) => boolean): Selection => {
    const accounts: number[] = [];
    const sides: number[] = [];
    for (const [at, account] of facts.accounts.entries()) {
      if (isCash.has(at)) continue;
      const held = sidesIn(categoryIds, facts.portions.get(account.id));
      if (held === 0 || !takes(held === 3, account.normalSide !== naturalSide(category.element))) continue;
      accounts.push(at);
      sides.push(held);
    }
    return { accounts: Int32Array.from(accounts), sides: Uint8Array.from(sides) };
  };
  const line = (name: string, own: string, selection: Selection, direction?: Direction): AccountsLine[] =>
    selection.accounts.length === 0
      ? []
      : [
          {
            kind: 'accounts',
            key: `${isOwn ? 'own_' : ''}${name}.${category.id}`,
            caption: own,
            side: 'credit',
            reversed: false,
            rung: 1,
            categoryId: null,
            selection,
            ...(direction ? { reading: { measure: 'column', facets: {}, direction, ofOwners: true } } : {}),
          },
        ];
  const directed = flows.flatMap(({ name, caption: worded, takes, direction }) => {
    const selection = select(
      (isWhole, isContra) => isWhole && isTakenByDirection(category.element, isContra) && (takes === 'both' || (takes === 'contra') === isContra),
    );
    return line(name, worded(words, caption), selection, direction);
  });
  // Other comprehensive income moves no cash either.
  if (netOf[part] !== (nature === 'oci' ? 'none' : nature)) return directed;
  // By direction go whole accounts; a deduction from debts is neither a proceed nor a repayment.
  const net = select((isWhole, isContra) => !isByDirection || !isWhole || !isTakenByDirection(category.element, isContra));
  return [...directed, ...line('flow', caption, net)];
}

function isTakenByDirection(element: Element, isContra: boolean): boolean {
  return element !== 'liability' || !isContra;
}

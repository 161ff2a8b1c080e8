import type { Element } from '../chart/element.ts';
import type { Step, Term } from './category.ts';

/** What a new top category is by its name: current or not, or its step; others have neither. Common practice. */
export function proposeTermAndStep(element: Element, isTop: boolean, name: string): { readonly term: Term | null; readonly step: Step | null } {
  if (!isTop || element === 'equity') return { term: null, step: null };
  return element === 'income' || element === 'expense' ? { term: null, step: stepOf(element, name) } : { term: termOf(name), step: null };
}

function termOf(name: string): Term {
  return /non-?current|fixed|long-?term|property|plant|equipment|intangible/i.test(name) ? 'non_current' : 'current';
}

function stepOf(element: 'income' | 'expense', name: string): Step {
  if (/income tax|taxes on income|taxation/i.test(name)) return 'income_tax';
  if (/financ|interest|borrowing/i.test(name)) return element === 'expense' ? 'financing' : 'investing';
  if (element === 'expense') return /cost of (sales|goods|sailing|revenue|services)|direct costs/i.test(name) ? 'cost_of_sales' : 'other_operating';
  if (/invest|dividend/i.test(name)) return 'investing';
  return /other|sundry/i.test(name) ? 'other_operating' : 'revenue';
}

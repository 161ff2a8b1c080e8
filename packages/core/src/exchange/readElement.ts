import { type Element, elements } from '../chart/element.ts';

const words: Readonly<Record<Element, RegExp>> = {
  asset: /^(assets?|a|aktiva?|actif|activo)$/i,
  liability: /^(liabilit(y|ies)|l|passiva?|passif|pasivo|debts?)$/i,
  equity: /^(equity|capital|q|eigenkapital|capitaux propres|patrimonio)$/i,
  income: /^(income|revenues?|i|r|sales|ertr(a|ä)g(e)?|produits?|ingresos?|gains?)$/i,
  expense: /^(expenses?|costs?|e|x|aufwand|aufwendungen|charges?|gastos?)$/i,
};

/** A word for an element as files write it; `null` for one that names none. */
export function readElement(text: string): Element | null {
  return elements.find((element) => words[element].test(text.trim())) ?? null;
}

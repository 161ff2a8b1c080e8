import type { Account } from '@ivory-ladder/core';
import type { Books } from './ports/index.ts';

/** Number and name of an account that is told apart from all others: without numbers by the path where its name alone does not. */
export function toldAccount({ labels }: Pick<Books, 'labels'>, { id, number, name }: Account): { readonly number: string; readonly name: string } {
  return { number, name: number === '' ? (labels.get(id) ?? name) : name };
}

import {
  categoryNested,
  categoryPut,
  categoryPutLast,
  categoryRemoved,
  type DescribedCategory,
  type NewCategory,
  type PlacementChange,
  type PlacesOfAccount,
  placesMoved,
  proposeTermAndStep,
  siblingsOf,
  sideMoved,
} from '@ivory-ladder/core';
import { useMemo } from 'react';
import { useDispatch } from 'react-redux';
import { standsIn } from '../../shared/api/standsIn.ts';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { type PlacedAccount, type StandingAccount, usePlacement } from '../rehearsal/index.ts';

type PlaceSide = 'any' | 'debit' | 'credit';

/** What can be done with the placement; each joins the rehearsal. `false`: it was refused, which was said. */
export interface PlacementActions {
  /** By hand; one side alone of an account that stands by a range by a range for that side. */
  move(accounts: readonly PlacedAccount[], target: { id: number; name: string } | null, side: PlaceSide): boolean;
  /** Each into a category of its own. */
  place(targets: readonly (readonly [account: PlacedAccount, categoryId: number])[]): boolean;
  /** Places by hand where a range has them. */
  fix(standing: readonly StandingAccount[]): boolean;
  /** Behind its siblings, with the accounts that are split off into it; gives the id that it has until it is applied. */
  add(category: NewCategory, accounts?: readonly PlacedAccount[]): number | null;
  /** `after`: the sibling to stand behind, `null` to stand first; where it is not given it stays, or stands last elsewhere. */
  change(id: number, fields: Partial<NewCategory>, after?: number | null): boolean;
  /** By one place among its siblings. */
  shift(id: number, by: 1 | -1): boolean;
  nest(id: number, parentId: number | null, after: number | null | 'last'): boolean;
  /** Its accounts and ranges go to `into`, or are unplaced; what is below it as well, where `withBelow` says so. */
  remove(id: number, into: number | null, withBelow: boolean): boolean;
}

export function usePlacementActions(): PlacementActions {
  const { model, amend } = usePlacement();
  const { digitOrder } = useCompany();
  const dispatch = useDispatch();
  return useMemo(() => {
    const { placement } = model;
    const named = (accounts: readonly PlacedAccount[]) => (accounts.length === 1 && accounts[0] ? accounts[0].label : `${accounts.length} accounts`);
    const termAndStep = (category: DescribedCategory, parentId: number | null) =>
      parentId === null && category.parentId === null
        ? { term: category.term, step: category.step }
        : proposeTermAndStep(category.element, parentId === null, category.name);
    const move: PlacementActions['move'] = (accounts, target, side) => {
      if (target === null) return amend({ places: new Map(accounts.map(({ id }) => [id, []])) }, `take ${named(accounts)} out of its category`);
      // Who stands by a range goes on following it with its other side.
      const byRange =
        side === 'any' ? [] : accounts.filter(({ number, places, placesByRange }) => number !== '' && places.length === 0 && placesByRange.length > 0);
      const numbers = byRange.map(({ number }) => number);
      const categories = side === 'any' ? null : sideMoved(placement.categories, numbers, target.id, side, digitOrder);
      const byHand = categories ? accounts.filter((account) => !byRange.includes(account)) : accounts;
      const places = new Map(byHand.map((account): [number, PlacesOfAccount] => [account.id, placesMoved(standsIn(account), target.id, side)]));
      return amend({ places, categories: categories ?? new Map() }, `move ${named(accounts)}${side === 'any' ? '' : ` while in ${side}`} to ${target.name}`);
    };
    const nest: PlacementActions['nest'] = (id, parentId, after) => {
      const category = placement.categories.get(id);
      return category !== undefined && amend(categoryNested(placement, category, parentId, after, termAndStep(category, parentId)), `move ${category.name}`);
    };
    return {
      move,
      nest,
      place: (targets) =>
        amend(
          { places: new Map(targets.map(([account, id]): [number, PlacesOfAccount] => [account.id, placesMoved(standsIn(account), id, 'any')])) },
          `place ${named(targets.map(([account]) => account))} as proposed`,
        ),
      fix: (standing) =>
        amend(
          { places: new Map(standing.map(({ account }): [number, PlacesOfAccount] => [account.id, standsIn(account)])) },
          `fix ${named(standing.map(({ account }) => account))} by hand`,
        ),
      add: (category, accounts = []) => {
        const id = Math.min(0, ...placement.categories.keys()) - 1;
        const places = new Map(accounts.map((account): [number, PlacesOfAccount] => [account.id, placesMoved(standsIn(account), id, 'any')]));
        const name = accounts.length > 0 ? `split ${named(accounts)} off into ${category.name}` : `add ${category.name}`;
        return amend({ ...categoryPutLast(placement, { ...category, id, position: 0 }), places }, name) ? id : null;
      },
      change: (id, fields, after) => {
        const category = placement.categories.get(id);
        if (!category) return false;
        const parentId = fields.parentId === undefined ? category.parentId : fields.parentId;
        const described = { ...category, ...fields };
        const change = ((): PlacementChange => {
          if (parentId !== category.parentId) {
            const nested = categoryNested(placement, category, parentId, after === undefined ? 'last' : after, termAndStep(category, parentId));
            const own = nested.categories?.get(id) as DescribedCategory;
            const { term, step } = fields.term === undefined && fields.step === undefined ? own : described;
            return { categories: new Map([...(nested.categories ?? []), [id, { ...own, ...fields, contraOf: fields.contraOf ?? null, term, step }]]) };
          }
          return after === undefined ? { categories: new Map([[id, described]]) } : categoryPut(placement, described, after);
        })();
        return amend(
          change,
          fields.name !== undefined && fields.name !== category.name ? `rename ${category.name} to ${fields.name}` : `change ${category.name}`,
        );
      },
      shift: (id, by) => {
        const category = placement.categories.get(id);
        if (!category) return false;
        const siblings = siblingsOf(placement, category);
        const at = siblings.indexOf(category) + by;
        if (at < 0 || at >= siblings.length) return false;
        const others = siblings.filter((sibling) => sibling !== category);
        return amend(categoryPut(placement, category, others[at - 1]?.id ?? null), `order ${category.name}`);
      },
      remove: (id, into, withBelow) => {
        const category = placement.categories.get(id);
        const change = categoryRemoved(placement, id, into, withBelow, digitOrder);
        if (change === null) {
          dispatch(
            noticeGiven({
              tone: 'refused',
              text: 'The account numbers of both cannot be one text: an exception of one lies within the other. Change one of them first.',
            }),
          );
          return false;
        }
        return amend(change, into === null ? `delete ${category?.name}` : `merge ${category?.name} into ${placement.categories.get(into)?.name}`);
      },
    };
  }, [model, amend, digitOrder, dispatch]);
}

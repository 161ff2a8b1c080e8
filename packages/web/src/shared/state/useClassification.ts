import type { Company } from '@ivory-ladder/contract';
import { useAddress } from './useAddress.ts';
import { useCompany } from './useCompany.ts';

export type Classification = Company['classifications'][number];

/** The classification of the address; the main one where it names none. `asked`: what is asked of the server, nothing for the main one. */
export function useClassification(): {
  readonly classification: Classification;
  readonly asked: { readonly classification?: number };
  choose(id: number): void;
} {
  const { classifications } = useCompany();
  const [params, change] = useAddress();
  const named = classifications.find(({ id }) => id === Number(params.get('classification')));
  const classification = named ?? classifications.find(({ isMain }) => isMain);
  if (!classification) throw new Error('a company without a main classification');
  const { id, isMain } = classification;
  return {
    classification,
    asked: isMain ? {} : { classification: id },
    // What is chosen in one tree is not there in another.
    choose: (other) =>
      change({
        classification: classifications.some((one) => one.id === other && one.isMain) ? null : String(other),
        category: null,
        rehearsal: null,
        record: null,
        cell: null,
        open: null,
        shut: null,
      }),
  };
}

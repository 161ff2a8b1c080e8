import type { Company } from '@ivory-ladder/contract';
import { useAddress } from './useAddress.ts';
import { useCompany } from './useCompany.ts';

export type Classification = Company['classifications'][number];

/** The classification that an address names, else the main one, with what is asked of the server. */
export function classificationInAddress(
  { classifications }: Pick<Company, 'classifications'>,
  params: URLSearchParams,
): { readonly classification: Classification; readonly asked: { readonly classification?: number } } {
  const named = classifications.find(({ id }) => id === Number(params.get('classification')));
  const classification = named ?? classifications.find(({ isMain }) => isMain);
  if (!classification) throw new Error('a company without a main classification');
  return { classification, asked: classification.isMain ? {} : { classification: classification.id } };
}

/** The classification of the address; the main one where it names none. `asked`: what is asked of the server, nothing for the main one. */
export function useClassification(): {
  readonly classification: Classification;
  readonly asked: { readonly classification?: number };
  choose(id: number): void;
} {
  const company = useCompany();
  const { classifications } = company;
  const [params, change] = useAddress();
  return {
    ...classificationInAddress(company, params),
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

import { findCurrency, type PresentationChoice, type Scale, scaleUnits } from '@ivory-ladder/core';
import { useListRatesQuery } from '../../shared/api/rateApi.ts';
import { ChoiceMenu } from '../../shared/components/ChoiceMenu.tsx';
import { useCompany } from '../../shared/state/useCompany.ts';
import { readPresentation, writePresentation } from './presentationText.ts';

interface ScaleMenuProps {
  readonly scale: Scale['unit'];
  readonly rounding: Scale['rounding'];
  /** Of the figures, where it is not the company's; where it is left out no other is offered. */
  readonly presentation?: PresentationChoice | null;
  readonly change: (changes: Record<string, string | null>) => void;
}

const labels = { exact: 'exact', units: 'whole', thousands: 'thousands', millions: 'millions' } as const;

/** In what currency and unit figures are printed, and how they are rounded to it. Currencies are those that rates are kept of. */
export function ScaleMenu({ scale, rounding, presentation, change }: ScaleMenuProps) {
  const company = useCompany();
  const { data } = useListRatesQuery({ companyId: company.id }, { skip: presentation === undefined });
  const code = presentation?.currency ?? company.currency;
  const exponent = findCurrency(code)?.exponent ?? company.exponent;
  const names = {
    exact: exponent === 0 ? code : `${code}, to the minor unit`,
    units: `Whole ${code}`,
    thousands: `${code} thousands`,
    millions: `${code} millions`,
  };
  const units: readonly Scale['unit'][] = scaleUnits.filter((unit) => unit !== 'units' || exponent > 0);
  const others = [...new Set((presentation === undefined ? undefined : data)?.rates.map(({ currency }) => currency) ?? [])].sort();
  const currencies = others.flatMap((currency) => [
    { value: writePresentation({ currency, method: 'own_rates' }), label: `${currency}, each amount at its own rate (IAS 21)` },
    { value: writePresentation({ currency, method: 'closing_rate' }), label: `${currency}, all at the closing rate` },
  ]);
  return (
    <ChoiceMenu
      label={!presentation ? `Figures: ${labels[scale]}` : scale === 'exact' ? `Figures: ${code}` : `${code} ${labels[scale]}`}
      choices={[
        ...units.map((unit) => ({ value: unit as string, label: names[unit], divided: unit === 'millions' })),
        { value: 'footed', label: 'Rounded so that parts come to their totals' },
        { value: 'independent', label: 'Each figure rounded by itself', divided: currencies.length > 0 },
        ...(currencies.length > 0 ? [{ value: company.currency, label: `${company.currency}, the company’s own currency` }, ...currencies] : []),
      ]}
      chosen={[scale, rounding, presentation ? writePresentation(presentation) : company.currency]}
      onChoose={(value) => {
        if (value === 'footed' || value === 'independent') change({ rounding: value === 'footed' ? null : value });
        else if (units.some((unit) => unit === value)) change({ scale: value === 'exact' ? null : value });
        else change({ currency: readPresentation(value)?.currency === company.currency ? null : value });
      }}
    />
  );
}

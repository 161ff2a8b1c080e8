import { type Scale, scaleUnits } from '@ivory-ladder/core';
import { useCompany } from '../../app/useCompany.ts';
import { ChoiceMenu } from '../../components/ChoiceMenu.tsx';

interface ScaleMenuProps {
  readonly scale: Scale['unit'];
  readonly rounding: Scale['rounding'];
  readonly change: (changes: Record<string, string | null>) => void;
}

const labels = { exact: 'exact', units: 'whole', thousands: 'thousands', millions: 'millions' } as const;

/** In what unit figures are printed, and how they are rounded to it. */
export function ScaleMenu({ scale, rounding, change }: ScaleMenuProps) {
  const { currency, exponent } = useCompany();
  const names = {
    exact: exponent === 0 ? currency : `${currency}, to the minor unit`,
    units: `Whole ${currency}`,
    thousands: `${currency} thousands`,
    millions: `${currency} millions`,
  };
  return (
    <ChoiceMenu
      label={`Figures: ${labels[scale]}`}
      choices={[
        ...scaleUnits
          .filter((unit) => unit !== 'units' || exponent > 0)
          .map((unit) => ({ value: unit as string, label: names[unit], divided: unit === 'millions' })),
        { value: 'footed', label: 'Rounded so that parts come to their totals' },
        { value: 'independent', label: 'Each figure rounded by itself' },
      ]}
      chosen={[scale, rounding]}
      onChoose={(value) =>
        change(value === 'footed' || value === 'independent' ? { rounding: value === 'footed' ? null : value } : { scale: value === 'exact' ? null : value })
      }
    />
  );
}

import type { LayoutDetail } from '@ivory-ladder/contract';
import { compareLayouts, longDay, type OwnLayout } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useMemo, useState } from 'react';
import { useGetLayoutVersionQuery } from '../../shared/api/layoutApi.ts';
import { SelectField } from '../../shared/components/SelectField.tsx';
import { useCompany } from '../../shared/state/useCompany.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import styles from './CompareDialog.module.css';
import { changedSettings, settingNames } from './changedSettings.ts';
import { DifferenceTable } from './DifferenceTable.tsx';
import { differencesOf } from './layoutDifferences.ts';
import { kindCaption } from './lineKinds.ts';
import type { Composer } from './useComposer.ts';
import { useOtherRows } from './useOtherRows.ts';

interface CompareDialogProps {
  readonly composer: Composer;
  readonly detail: LayoutDetail;
  readonly onClose: () => void;
}

/** 0 for the draft, as it is on the screen. */
type Version = number;
const draft: Version = 0;

/** Any two versions beside each other: what they show over the figures of today, and how their lines are made. */
export function CompareDialog({ composer, detail, onClose }: CompareDialogProps) {
  const { versions, inUse } = detail;
  const newestFirst = [...versions].sort((a, b) => b.number - a.number);
  const [before, setBefore] = useState<Version>(newestFirst[1]?.number ?? newestFirst[0]?.number ?? draft);
  const [after, setAfter] = useState<Version>(newestFirst.length > 1 ? (newestFirst[0]?.number ?? draft) : draft);
  const [former, later] = [useDefinition(composer, detail.id, before), useDefinition(composer, detail.id, after)];
  const nameOf = (version: Version): string => (version === draft ? 'Draft' : `Version ${version}`);
  const choices = [
    { value: draft, label: 'The draft, as it is now' },
    ...newestFirst.map(({ number, at, by, reason }) => ({
      value: number,
      label: `Version ${number}${number === inUse ? ', in use' : ''}: ${longDay(at.slice(0, 10))}, ${by}${reason === '' ? '' : `, «${reason}»`}`,
    })),
  ];
  const error = former.error ?? later.error;
  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth>
      <DialogTitle>Compare versions: {detail.name}</DialogTitle>
      <DialogContent className={styles.content}>
        <div className={styles.pair}>
          <SelectField label="Earlier" value={before} choices={choices} disabled={false} onChange={setBefore} />
          <SelectField label="Later" value={after} choices={choices} disabled={false} onChange={setAfter} />
        </div>
        {error ? (
          <p>{describeFailure(error)}</p>
        ) : former.layout && later.layout ? (
          <Compared composer={composer} former={former.layout} later={later.layout} before={nameOf(before)} after={nameOf(after)} />
        ) : (
          <p role="status">Looking at both …</p>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}

function useDefinition({ layout }: Composer, layoutId: number, version: Version): { readonly layout: OwnLayout | null; readonly error: unknown } {
  const company = useCompany();
  const { currentData, error } = useGetLayoutVersionQuery({ companyId: company.id, layoutId, number: version }, { skip: version === draft });
  return version === draft ? { layout, error: undefined } : { layout: (currentData?.definition as OwnLayout | undefined) ?? null, error };
}

interface ComparedProps {
  readonly composer: Composer;
  readonly former: OwnLayout;
  readonly later: OwnLayout;
  readonly before: string;
  readonly after: string;
}

function Compared({ composer, former, later, before, after }: ComparedProps) {
  const [was, is] = [useOtherRows(composer, former), useOtherRows(composer, later)];
  const figures = useMemo(() => (was && is ? differencesOf(was, is) : null), [was, is]);
  const { lines, settings } = useMemo(() => compareLayouts(former, later), [former, later]);
  if (figures === null) return <p role="status">Working both out …</p>;
  return (
    <>
      {figures.length === 0 ? (
        <p>
          {lines.length + settings.length === 0
            ? 'Both are made alike, and show the same.'
            : 'No line shows another figure or caption over the amounts of today.'}
        </p>
      ) : (
        <DifferenceTable differences={figures} before={before} after={after} />
      )}
      {lines.length + settings.length > 0 && (
        <section aria-labelledby="made-otherwise">
          <h3 id="made-otherwise" className={styles.heading}>
            How it is made
          </h3>
          <ul className={styles.made}>
            {settings.length > 0 && (
              <li>
                <strong>The layout as a whole</strong> {settingNames(settings)}
              </li>
            )}
            {lines.map((one) => (
              <li key={`${one.key} ${one.state}`}>
                <strong>{one.line.caption || kindCaption(one.line.kind)}</strong> {changedSettings(one)}
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}

import type { Company, SettingsChange, SettingsCheckBody } from '@ivory-ladder/contract';
import { bringToScheme, currencyCodes, monthNames, type NumberScheme } from '@ivory-ladder/core';
import Autocomplete from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { type FormEvent, useMemo, useState } from 'react';
import { useDispatch } from 'react-redux';
import { useChangeSettingsMutation, useCheckSettingsQuery } from '../../shared/api/companyApi.ts';
import { useGetPlacementQuery } from '../../shared/api/placementApi.ts';
import { EffectList } from '../../shared/components/EffectList.tsx';
import { EmptyState } from '../../shared/components/EmptyState.tsx';
import { SelectTextField } from '../../shared/components/SelectTextField.tsx';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { currencyOfCompany, useCompany, useMay } from '../../shared/state/useCompany.ts';
import { useSpan } from '../../shared/state/useSpan.ts';
import { counted } from '../../shared/words/counted.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { LanguageFields } from './LanguageFields.tsx';
import { RemoveCompany } from './RemoveCompany.tsx';
import { SchemeEditor } from './SchemeEditor.tsx';
import styles from './SettingsScreen.module.css';

const codes = currencyCodes();
const newScheme: NumberScheme = { parts: [{ kind: 'digits', shortest: 4, longest: 4 }], separator: '-', leastParts: 1 };

/** What is set for the company as a whole. */
export function SettingsScreen() {
  const company = useCompany();
  const maySet = useMay('keep_people_and_settings');
  if (!maySet)
    return (
      <section className={styles.sheet}>
        <EmptyState title="Settings are kept by administrators">
          {describeFailure({ code: 'permission_needed', facts: { needs: 'keep_people_and_settings' } })}
        </EmptyState>
      </section>
    );
  return <SettingsForm key={company.settingsVersion} company={company} />;
}

/** What becomes of the accounts there are. */
function numberingText({ numbered, accounts }: Company): string {
  const all = counted(accounts, 'account');
  return numbered
    ? `The numbers of ${all} are taken away; the history keeps them. Files name accounts by their names then, or by the path of those above.`
    : `${all} get a number each, by element and in the order of the chart: 1000, 1010, … They can be renumbered afterwards.`;
}

function SettingsForm({ company }: { company: Company }) {
  const dispatch = useDispatch();
  const { span } = useSpan();
  const { data } = useGetPlacementQuery({ companyId: company.id, ...span });
  const [change, { isLoading, error }] = useChangeSettingsMutation();
  const [draft, setDraft] = useState<SettingsChange>({ version: company.settingsVersion });
  const current = { ...company, ...draft };
  const set = (fields: Partial<SettingsChange>) => setDraft((before) => ({ ...before, ...fields }));
  const setScheme = ({ parts, ...scheme }: NumberScheme) => set({ numberScheme: { ...scheme, parts: [...parts] } });
  const scheme = current.numberScheme ?? null;
  const misfits = useMemo(
    () =>
      scheme === null
        ? []
        : (data?.accounts ?? []).filter(({ number }) => {
            const brought = bringToScheme(number, scheme);
            return !brought.ok || brought.value !== number;
          }),
    [scheme, data],
  );
  const isReordered = current.numbered && company.numbered && current.digitOrder !== company.digitOrder;
  const isRenumbered = isReordered || current.numbered !== company.numbered;
  const { from, to } = span;
  const { digitOrder, numbered } = current;
  const seen = useCheckSettingsQuery({ companyId: company.id, body: { digitOrder, numbered, from, to } }, { skip: !isRenumbered });
  const isChanged = (Object.keys(draft) as (keyof SettingsChange)[]).some(
    (key) => key !== 'version' && JSON.stringify(draft[key]) !== JSON.stringify(company[key as keyof Company]),
  );
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const changed = await change({ companyId: company.id, body: draft });
    if (changed.data) dispatch(noticeGiven({ tone: 'done', text: 'Applied: the settings hold from now on.' }));
  };
  return (
    <form className={styles.sheet} aria-labelledby="settings-title" onSubmit={(event) => void submit(event)}>
      <h1 id="settings-title">Settings of {company.name}</h1>
      <div className={styles.columns}>
        <section className={styles.section} aria-labelledby="settings-company">
          <h2 id="settings-company">Company</h2>
          <TextField
            label="Name"
            value={current.name}
            onChange={(event) => set({ name: event.target.value })}
            slotProps={{ htmlInput: { maxLength: 200 } }}
            required
          />
          <Autocomplete
            options={codes}
            value={current.currency}
            onChange={(_event, currency) => set({ currency })}
            disableClearable
            disabled={company.revision > 0}
            renderInput={(params) => (
              <TextField
                {...params}
                label="Currency"
                helperText={company.revision > 0 ? 'held by the entries there are' : 'can be chosen until the first entry'}
              />
            )}
          />
          <SelectTextField
            label="Fiscal year begins in"
            value={current.fiscalYearFirstMonth}
            onChange={(event) => set({ fiscalYearFirstMonth: Number(event.target.value) })}
            disabled={company.years.length > 0}
            helperText={company.years.length > 0 ? 'held by the fiscal years there are' : 'can be chosen until the first fiscal year'}
          >
            {monthNames.map((name, index) => (
              <option key={name} value={index + 1}>
                {name}
              </option>
            ))}
          </SelectTextField>
          <LanguageFields languages={current.languages ?? company.languages} onChange={(languages) => set({ languages })} />
          <fieldset className={styles.choices}>
            <legend>Two accounts of one name are</legend>
            {(['pointed_out', 'forbidden'] as const).map((value) => (
              <label key={value}>
                <input type="radio" name="repeated" checked={current.repeatedNames === value} onChange={() => set({ repeatedNames: value })} />
                {value === 'pointed_out' ? 'pointed out while one types' : 'refused'}
              </label>
            ))}
          </fieldset>
        </section>
        <section className={styles.section} aria-labelledby="settings-numbers">
          <h2 id="settings-numbers">Account numbers</h2>
          <fieldset className={styles.choices}>
            <legend>Accounts have</legend>
            <label>
              <input type="radio" name="numbered" checked={current.numbered} onChange={() => set({ numbered: true })} />
              numbers and names
            </label>
            <label>
              <input type="radio" name="numbered" checked={!current.numbered} onChange={() => set({ numbered: false })} />
              names only
            </label>
          </fieldset>
          {current.numbered !== company.numbered && (
            <>
              <p className={styles.odd}>{numberingText(company)}</p>
              <EffectOfNumbers seen={seen.currentData} failure={seen.error} company={company} />
            </>
          )}
          {current.numbered && (
            <>
              <fieldset className={styles.choices}>
                <legend>Digits compare</legend>
                <label>
                  <input type="radio" name="order" checked={current.digitOrder === 'by_value'} onChange={() => set({ digitOrder: 'by_value' })} />
                  <span>
                    by value <small>411.8, 411.9, 411.10</small>
                  </span>
                </label>
                <label>
                  <input type="radio" name="order" checked={current.digitOrder === 'digit_by_digit'} onChange={() => set({ digitOrder: 'digit_by_digit' })} />
                  <span>
                    digit by digit from the left <small>10, 101, 1013, 106, 11</small>
                  </span>
                </label>
              </fieldset>
              {isReordered && <EffectOfNumbers seen={seen.currentData} failure={seen.error} company={company} />}
              <fieldset className={styles.choices}>
                <legend>Numbers are</legend>
                <label>
                  <input type="radio" name="scheme" checked={scheme === null} onChange={() => set({ numberScheme: null })} />
                  any text, as it is typed
                </label>
                <label>
                  <input type="radio" name="scheme" checked={scheme !== null} onChange={() => setScheme(company.numberScheme ?? newScheme)} />
                  built of parts
                </label>
              </fieldset>
              {scheme !== null && <SchemeEditor scheme={scheme} onChange={setScheme} />}
              {scheme !== null && misfits.length > 0 && (
                <p className={styles.odd}>
                  {counted(misfits.length, 'account has', 'accounts have')} another form, such as {misfits[0]?.number}. They keep their numbers until they are
                  renumbered.
                </p>
              )}
            </>
          )}
        </section>
      </div>
      {error !== undefined && <p role="alert">{describeFailure(error)}</p>}
      <div className={styles.buttons}>
        <Button type="submit" variant="contained" disabled={isLoading || !isChanged || (isRenumbered && !seen.currentData) || current.name?.trim() === ''}>
          Apply
        </Button>
        <Button disabled={!isChanged} onClick={() => setDraft({ version: company.settingsVersion })}>
          Discard
        </Button>
      </div>
      <RemoveCompany company={company} />
    </form>
  );
}

/** What ranges and layouts make of other numbers, or of another order of them, before they are applied. */
function EffectOfNumbers({ seen, failure, company }: { seen: SettingsCheckBody | undefined; failure: unknown; company: Company }) {
  if (failure !== undefined) return <p role="alert">{describeFailure(failure)}</p>;
  if (!seen) return <p className={styles.odd}>Looking at every statement …</p>;
  const { kept, returned, effect } = seen;
  return (
    <div role="status">
      <p className={kept + returned === 0 ? styles.plain : styles.odd}>
        {kept + returned === 0
          ? 'Every range holds the accounts that it held.'
          : [
              kept > 0 ? `${counted(kept, 'account leaves', 'accounts leave')} a range and ${kept === 1 ? 'stays' : 'stay'} in its category by hand` : '',
              returned > 0 ? `${counted(returned, 'account that was kept by hand stands', 'accounts that were kept by hand stand')} by range again` : '',
            ]
              .filter(Boolean)
              .join('; ')
              .concat('.')}
      </p>
      <EffectList effect={effect} currency={currencyOfCompany(company)} />
    </div>
  );
}

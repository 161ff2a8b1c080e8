import type { RanSet, SetPartBody, StatementSetBody } from '@ivory-ladder/contract';
import { longDay } from '@ivory-ladder/core';
import PictureAsPdf from '@mui/icons-material/PictureAsPdfOutlined';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { useDispatch } from 'react-redux';
import { Link, useLocation, useNavigate } from 'react-router';
import { useListColumnPlansQuery } from '../../shared/api/columnPlanApi.ts';
import { useListLayoutsQuery } from '../../shared/api/layoutApi.ts';
import { addressOf } from '../../shared/api/requestOf.ts';
import { useDeleteSetMutation } from '../../shared/api/setApi.ts';
import { ChoiceMenu } from '../../shared/components/ChoiceMenu.tsx';
import { OrderActs } from '../../shared/components/OrderActs.tsx';
import { shiftedByKey } from '../../shared/components/shiftedByKey.ts';
import { UndoButtons } from '../../shared/components/UndoButtons.tsx';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { useCompany, useMay } from '../../shared/state/useCompany.ts';
import { useSpan } from '../../shared/state/useSpan.ts';
import { useUndoKeys } from '../../shared/state/useUndoKeys.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { languageNames } from '../../shared/words/languageNames.ts';
import { ScaleMenu, statementNames } from '../statements/index.ts';
import { PartFields } from './PartFields.tsx';
import { SetProofs } from './SetProofs.tsx';
import styles from './SetsScreen.module.css';
import { newPart, withFigures } from './setParts.ts';
import type { useSetWork } from './useSetWork.ts';

interface SetPanelProps {
  readonly set: StatementSetBody;
  readonly sets: readonly StatementSetBody[];
  readonly ran: RanSet | undefined;
  readonly work: ReturnType<typeof useSetWork>;
  readonly onBegin: () => void;
}

/** What a set is made of, in its order, how its figures are printed, and what they prove. */
export function SetPanel({ set, sets, ran, work, onBegin }: SetPanelProps) {
  const company = useCompany();
  const mayCompose = useMay('keep_layouts');
  const { span } = useSpan();
  const { search } = useLocation();
  const navigate = useNavigate();
  const dispatch = useDispatch();
  const [remove] = useDeleteSetMutation();
  const { data: layouts } = useListLayoutsQuery({ companyId: company.id });
  const { data: plans } = useListColumnPlansQuery({ companyId: company.id });
  const { content, edit, undo, redo, undoName, redoName } = work;
  const { parts, scale, language, presentation } = content.definition;
  const [chosen, setChosen] = useState<string | null>(null);
  useUndoKeys(undo, redo);
  const isStuck = ran?.parts.some(({ failure }) => failure !== null) ?? false;
  const running = layouts?.layouts.filter(({ inUse }) => inUse !== null) ?? [];
  const nameOf = (part: SetPartBody): string =>
    part.title ||
    (part.statement in statementNames
      ? statementNames[part.statement as keyof typeof statementNames]
      : (layouts?.layouts.find(({ id }) => `layout-${id}` === part.statement)?.name ?? 'A layout'));
  const define = (definition: StatementSetBody['definition'], what: string) => edit({ ...content, definition }, what);
  const setParts = (next: SetPartBody[], what: string) => define({ ...content.definition, parts: next }, what);
  const open = (id: number) => void navigate({ pathname: `/companies/${company.id}/statements/sets/${id}`, search: withoutCell(search) });
  const show = (key: string) => {
    setChosen(chosen === key ? null : key);
    document.getElementById(`part-${key}`)?.scrollIntoView({ block: 'start', behavior: 'smooth' });
  };
  return (
    <aside className={styles.panel} aria-label="Set">
      <header className={styles.panelHead}>
        <Link to={{ pathname: `/companies/${company.id}/statements/balance-sheet`, search: withoutCell(search) }}>Single statements</Link>
        <ChoiceMenu
          label="Sets"
          choices={[
            ...sets.map(({ id, name }, at) => ({ value: String(id), label: name, divided: mayCompose && at === sets.length - 1 })),
            ...(mayCompose ? [{ value: 'new', label: 'New set' }] : []),
          ]}
          chosen={[String(set.id)]}
          onChoose={(value) => (value === 'new' ? onBegin() : open(Number(value)))}
        />
      </header>
      <NameField name={content.name} disabled={!mayCompose} onName={(name) => edit({ ...content, name }, `Rename to ${name}`)} />
      <div className={styles.acts} title={isStuck ? 'A statement cannot be run: a set is printed whole' : undefined}>
        <Button
          variant="contained"
          startIcon={<PictureAsPdf />}
          href={addressOf('printSet', { companyId: company.id, setId: set.id, ...span })}
          disabled={!ran || ran.parts.length === 0 || isStuck}
        >
          Print (PDF)
        </Button>
        {mayCompose && <UndoButtons undoName={undoName} redoName={redoName} onUndo={undo} onRedo={redo} />}
      </div>
      <section aria-labelledby="set-contents">
        <h2 id="set-contents">Contents</h2>
        <ol className={styles.contents}>
          {parts.map((part, at) => (
            <li key={part.key} data-chosen={part.key === chosen || undefined}>
              <button type="button" className={styles.part} aria-expanded={part.key === chosen} onClick={() => show(part.key)}>
                <span>{at + 1}</span>
                {nameOf(part)}
              </button>
              {mayCompose && part.key === chosen && (
                <div className={styles.partFields}>
                  <PartFields
                    part={part}
                    plans={plans?.plans ?? []}
                    onChange={(changed, what) =>
                      setParts(
                        parts.map((one) => (one.key === part.key ? changed : one)),
                        `${what} of ${nameOf(part)}`,
                      )
                    }
                  />
                  <div className={styles.partActs}>
                    <OrderActs
                      runs="down"
                      at={at}
                      count={parts.length}
                      removeLabel="Take out of the set"
                      onShift={(by) => setParts([...shiftedByKey(parts, part.key, by)], `Move ${nameOf(part)}`)}
                      onRemove={() =>
                        setParts(
                          parts.filter((one) => one.key !== part.key),
                          `Take out ${nameOf(part)}`,
                        )
                      }
                    />
                  </div>
                </div>
              )}
            </li>
          ))}
        </ol>
        {mayCompose && (
          <ChoiceMenu
            label="Add statement"
            choices={[
              ...Object.entries(statementNames).map(([value, label], at, all) => ({ value, label: label as string, divided: at === all.length - 1 })),
              ...running.map(({ id, name }) => ({ value: `layout-${id}`, label: name })),
            ]}
            chosen={[]}
            onChoose={(statement) => {
              const added = newPart(statement, parts);
              setParts([...parts, added], `Add ${nameOf(added)}`);
              setChosen(added.key);
            }}
          />
        )}
      </section>
      {mayCompose && (
        <div className={styles.settings}>
          <ScaleMenu
            scale={scale.unit}
            rounding={scale.rounding}
            presentation={presentation ?? null}
            change={(asked) => define(withFigures(content.definition, asked), 'Change the figures')}
          />
          {company.languages.length > 1 && (
            <ChoiceMenu
              label={`Captions: ${languageNames[language ?? company.languages[0] ?? 'en']}`}
              choices={company.languages.map((value) => ({ value, label: languageNames[value] }))}
              chosen={[language ?? company.languages[0] ?? 'en']}
              onChoose={(value) => define({ ...content.definition, language: value }, 'Change the language')}
            />
          )}
        </div>
      )}
      {ran && ran.parts.length > 0 && <SetProofs ran={ran} />}
      {mayCompose && (
        <p className={styles.hint}>Point at a line to comment on it. Comments stay with {longDay(span.to)} and are printed under their statement.</p>
      )}
      {mayCompose && (
        <button
          type="button"
          className={styles.link}
          onClick={() =>
            void remove({ companyId: company.id, setId: set.id, version: set.version }).then(({ error }) => {
              if (error === undefined) void navigate({ pathname: `/companies/${company.id}/statements/sets`, search: withoutCell(search) });
              dispatch(
                noticeGiven(
                  error === undefined
                    ? { tone: 'done', text: `Deleted: ${content.name}, with its comments.` }
                    : { tone: 'refused', text: describeFailure(error) },
                ),
              );
            })
          }
        >
          Delete the set with its comments
        </button>
      )}
    </aside>
  );
}

function NameField({ name, disabled, onName }: { readonly name: string; readonly disabled: boolean; readonly onName: (name: string) => void }) {
  const [typed, setTyped] = useState<string | null>(null);
  const leave = () => {
    const next = typed?.trim() ?? '';
    setTyped(null);
    if (next !== '' && next !== name) onName(next);
  };
  return (
    <textarea
      className={styles.name}
      rows={1}
      aria-label="Name of the set"
      value={typed ?? name}
      maxLength={200}
      disabled={disabled}
      onChange={({ target: { value } }) => setTyped(value)}
      onBlur={leave}
      onKeyDown={(event) => {
        if (event.key === 'Escape') setTyped(null);
        if (event.key !== 'Enter') return;
        event.preventDefault();
        leave();
      }}
    />
  );
}

function withoutCell(search: string): string {
  const params = new URLSearchParams(search);
  params.delete('cell');
  return params.toString();
}

import {
  type CaptionLanguage,
  type DescribedCategory,
  type Element,
  type Nature,
  type NewCategory,
  natures,
  pathOf,
  type Step,
  steps,
  type Term,
  walkCategories,
} from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import { type FormEvent, useState } from 'react';
import { SelectTextField } from '../../shared/components/SelectTextField.tsx';
import { useCompany } from '../../shared/state/useCompany.ts';
import { languageNames } from '../../shared/words/languageNames.ts';
import { elementName, type PlacedAccount, usePlacement } from '../rehearsal/index.ts';
import { natureNames, stepNames, termNames } from './categoryWords.ts';
import { RangeFields, type RangeTexts } from './RangeFields.tsx';
import { readTypedRange } from './typedRange.ts';
import { useChartNumbers } from './useChartNumbers.ts';
import { usePlacementActions } from './usePlacementActions.ts';

interface CategoryDialogProps {
  readonly element: Element;
  readonly parentId: number | null;
  /** The category to change, or `null` for a new one. */
  readonly category: DescribedCategory | null;
  readonly onClose: () => void;
  /** Accounts that move into a new one. */
  readonly splitOff?: readonly PlacedAccount[];
  /** The id that a new one has until it is applied. */
  readonly onAdded?: (id: number) => void;
}

type Ranges = DescribedCategory['ranges'];

function textsOf(ranges: Ranges): RangeTexts {
  const texts = { any: '', debit: '', credit: '' };
  for (const { side, text } of ranges) texts[side] = text;
  return texts;
}

type Captions = DescribedCategory['captions'];

function captionsOf(texts: ReadonlyMap<CaptionLanguage, string>): Captions {
  return [...texts].flatMap(([language, text]) => (text.trim() === '' ? [] : [{ language, caption: text.trim() }]));
}

/** Name, nesting, order and what a category is: current or not, its step, what it is deducted from, the account numbers it takes. */
export function CategoryDialog({ element, parentId: firstParent, category, onClose, splitOff, onAdded }: CategoryDialogProps) {
  const company = useCompany();
  const { model } = usePlacement();
  const actions = usePlacementActions();
  const [name, setName] = useState(category?.name ?? '');
  const [parentId, setParentId] = useState(firstParent);
  const [term, setTerm] = useState<Term>(category?.term ?? 'current');
  const [step, setStep] = useState<Step>(category?.step ?? 'other_operating');
  const [nature, setNature] = useState<Nature | null>(category?.nature ?? null);
  const [note, setNote] = useState(category?.note ?? '');
  const [description, setDescription] = useState(category?.description ?? '');
  const [contraOf, setContraOf] = useState<number | null>(category?.contraOf ?? null);
  const [texts, setTexts] = useState<RangeTexts>(() => textsOf(category?.ranges ?? []));
  const [captions, setCaptions] = useState<ReadonlyMap<CaptionLanguage, string>>(
    () => new Map((category?.captions ?? []).map((own) => [own.language, own.caption])),
  );
  const [after, setAfter] = useState<number | 'same' | 'first'>('same');
  const isTop = parentId === null;
  const takesTerm = isTop && (element === 'asset' || element === 'liability');
  const takesStep = isTop && (element === 'income' || element === 'expense');
  const siblings = (isTop ? (model.tree.tops.get(element) ?? []) : (model.tree.nodes.get(parentId)?.children ?? [])).filter(
    (node) => node.category.id !== category?.id,
  );
  const parents: { id: number; path: string }[] = [];
  walkCategories(model.tree.tops.get(element) ?? [], (node) => {
    for (let above: typeof node | null = node; above; above = above.parent) if (above.category.id === category?.id) return;
    parents.push({ id: node.category.id, path: pathOf(node).join(' › ') });
  });
  const numbers = useChartNumbers();
  const read = (['any', 'debit', 'credit'] as const).map((side) => ({ side, read: readTypedRange(texts[side], numbers, company.digitOrder) }));
  const isMalformed = read.some((of) => !of.read.ok);
  const ranges = read.flatMap(({ side, read: of }): Ranges => (of.ok && of.value.text !== '' ? [{ side, text: of.value.text }] : []));
  const taken = siblings.some((node) => node.category.name.toLowerCase() === name.trim().toLowerCase());
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const fields: NewCategory = {
      element,
      name: name.trim(),
      parentId,
      term: takesTerm ? term : null,
      step: takesStep ? step : null,
      contraOf,
      nature,
      note: note.trim(),
      description: description.trim(),
      ranges,
      captions: captionsOf(captions),
    };
    if (!category) {
      const id = actions.add(fields, splitOff);
      if (id === null) return;
      onClose();
      onAdded?.(id);
    } else if (actions.change(category.id, fields, after === 'same' ? undefined : after === 'first' ? null : after)) onClose();
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-label={category ? `Change ${category.name}` : 'New category'}>
      <form onSubmit={submit}>
        <DialogTitle>{category ? `Change ${category.name}` : `New category of ${elementName(element).toLowerCase()}`}</DialogTitle>
        <DialogContent sx={{ display: 'grid', gap: 2, pt: '8px !important' }}>
          <TextField
            label="Name"
            value={name}
            onChange={(event) => setName(event.target.value)}
            autoFocus
            required
            error={taken}
            helperText={taken ? 'A category beside it has this name already' : undefined}
            slotProps={{ htmlInput: { maxLength: 200 } }}
          />
          {company.languages.slice(1).map((language) => (
            <TextField
              key={language}
              label={`In ${languageNames[language]}`}
              value={captions.get(language) ?? ''}
              onChange={(event) => setCaptions(new Map([...captions, [language, event.target.value]]))}
              placeholder={name}
              slotProps={{ htmlInput: { maxLength: 200, lang: language } }}
            />
          ))}
          <SelectTextField
            label="Nested in"
            value={parentId ?? 0}
            onChange={(event) => {
              setParentId(Number(event.target.value) || null);
              setContraOf(null);
              setAfter('same');
            }}
          >
            <option value={0}>{elementName(element)}, at the top</option>
            {parents.map(({ id, path }) => (
              <option key={id} value={id}>
                {path}
              </option>
            ))}
          </SelectTextField>
          {takesTerm && (
            <SelectTextField label="Current or non-current" value={term} onChange={(event) => setTerm(event.target.value as Term)}>
              {(Object.keys(termNames) as Term[]).map((value) => (
                <option key={value} value={value}>
                  {termNames[value]}
                </option>
              ))}
            </SelectTextField>
          )}
          {takesStep && (
            <SelectTextField label="Step of the income statement" value={step} onChange={(event) => setStep(event.target.value as Step)}>
              {steps.map((value) => (
                <option key={value} value={value}>
                  {stepNames[value]}
                </option>
              ))}
            </SelectTextField>
          )}
          <SelectTextField
            label="Deducted from"
            value={contraOf ?? 0}
            onChange={(event) => setContraOf(Number(event.target.value) || null)}
            helperText="A contra category stands under the one it is deducted from, with their net amount"
          >
            <option value={0}>nothing</option>
            {siblings
              .filter((node) => node.category.contraOf === null)
              .map((node) => (
                <option key={node.category.id} value={node.category.id}>
                  {node.category.name}
                </option>
              ))}
          </SelectTextField>
          {company.numbered && <RangeFields model={model} element={element} digitOrder={company.digitOrder} texts={texts} onChange={setTexts} />}
          <SelectTextField
            label="Cash flow"
            value={nature ?? 'as above'}
            onChange={(event) => setNature(event.target.value === 'as above' ? null : (event.target.value as Nature))}
          >
            <option value="as above">as the category above it says</option>
            {natures
              .filter((value) => value !== 'oci' || element === 'equity')
              .map((value) => (
                <option key={value} value={value}>
                  {natureNames[value]}
                </option>
              ))}
          </SelectTextField>
          <TextField
            label="Note to the statements"
            value={note}
            onChange={(event) => setNote(event.target.value)}
            slotProps={{ htmlInput: { maxLength: 20 } }}
          />
          <TextField
            label="What belongs here"
            value={description}
            onChange={(event) => setDescription(event.target.value)}
            multiline
            maxRows={4}
            slotProps={{ htmlInput: { maxLength: 2000 } }}
          />
          {category && siblings.length > 0 && (
            <SelectTextField
              label="Order"
              value={after}
              onChange={(event) => setAfter(event.target.value === 'same' || event.target.value === 'first' ? event.target.value : Number(event.target.value))}
            >
              <option value="same">where it stands now</option>
              <option value="first">first</option>
              {siblings.map((node) => (
                <option key={node.category.id} value={node.category.id}>
                  after {node.category.name}
                </option>
              ))}
            </SelectTextField>
          )}
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained" disabled={name.trim() === '' || taken || isMalformed}>
            {category ? 'Propose' : 'Add'}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}

import { useRef, useState } from 'react';
import { useDispatch } from 'react-redux';
import { useChangeClassificationMutation } from '../../shared/api/placementApi.ts';
import { ChoiceMenu } from '../../shared/components/ChoiceMenu.tsx';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { useClassification } from '../../shared/state/useClassification.ts';
import { useCompany, useMay } from '../../shared/state/useCompany.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { ClassificationDialog } from './ClassificationDialog.tsx';
import { PlacementFileDialog } from './PlacementFileDialog.tsx';
import { usePlacementFile } from './usePlacementFile.ts';

/** Which of the trees is shown, and what can be done with it: another one, its name, the main one, its end. */
export function ClassificationMenu() {
  const company = useCompany();
  const { classification, choose } = useClassification();
  const mayPlace = useMay('keep_placement');
  const dispatch = useDispatch();
  const [changeIt] = useChangeClassificationMutation();
  const [asked, setAsked] = useState<'add' | 'rename' | 'delete' | null>(null);
  const file = usePlacementFile();
  const chooser = useRef<HTMLInputElement>(null);
  const { classifications } = company;
  const makeMain = async () => {
    const { error } = await changeIt({ companyId: company.id, classificationId: classification.id, body: { version: classification.version, isMain: true } });
    const text = error === undefined ? `Statements and proofs go by ${classification.name} from now on.` : describeFailure(error);
    dispatch(noticeGiven({ tone: error === undefined ? 'done' : 'refused', text }));
  };
  const act = (value: string) => {
    if (value === 'add' || value === 'rename' || value === 'delete') setAsked(value);
    else if (value === 'main') void makeMain();
    else if (value === 'csv' || value === 'xlsx') file.save(value);
    else if (value === 'load') chooser.current?.click();
    else choose(Number(value));
  };
  return (
    <>
      <ChoiceMenu
        label={`${classification.name}${classifications.length > 1 && classification.isMain ? ' (main)' : ''}`}
        chosen={[String(classification.id)]}
        choices={[
          ...classifications.map(({ id, name, isMain }, at) => ({
            value: String(id),
            label: `${name}${isMain && classifications.length > 1 ? ': statements and proofs go by it' : ''}`,
            divided: at === classifications.length - 1,
          })),
          ...(mayPlace
            ? [
                { value: 'add', label: 'New classification…' },
                { value: 'rename', label: `Rename ${classification.name}…` },
              ]
            : []),
          ...(mayPlace && !classification.isMain
            ? [
                { value: 'main', label: `Make ${classification.name} the main one` },
                { value: 'delete', label: `Delete ${classification.name}…` },
              ]
            : []),
          { value: 'csv', label: 'Save as CSV' },
          { value: 'xlsx', label: 'Save as workbook' },
          ...(mayPlace ? [{ value: 'load', label: 'Load from a file…' }] : []),
        ]}
        onChoose={act}
      />
      <input
        ref={chooser}
        type="file"
        hidden
        accept=".csv,.xlsx,.txt"
        aria-label="File of the placement"
        onChange={({ target }) => {
          const [chosen] = target.files ?? [];
          if (chosen) void file.load(chosen);
          target.value = '';
        }}
      />
      {file.wrong && <PlacementFileDialog {...file.wrong} onClose={file.forget} />}
      {asked && <ClassificationDialog asked={asked} onClose={() => setAsked(null)} />}
    </>
  );
}

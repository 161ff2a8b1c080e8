import { useState } from 'react';
import { useDispatch } from 'react-redux';
import { describeFailure } from '../../api/failureMessages.ts';
import { useChangeClassificationMutation } from '../../api/placementApi.ts';
import { noticeGiven } from '../../app/noticeSlice.ts';
import { useClassification } from '../../app/useClassification.ts';
import { useCompany, useMay } from '../../app/useCompany.ts';
import { ChoiceMenu } from '../../components/ChoiceMenu.tsx';
import { ClassificationDialog } from './ClassificationDialog.tsx';

/** Which of the trees is shown, and what can be done with it: another one, its name, the main one, its end. */
export function ClassificationMenu() {
  const company = useCompany();
  const { classification, choose } = useClassification();
  const mayPlace = useMay('preparer');
  const dispatch = useDispatch();
  const [changeIt] = useChangeClassificationMutation();
  const [asked, setAsked] = useState<'add' | 'rename' | 'delete' | null>(null);
  const { classifications } = company;
  if (classifications.length === 1 && !mayPlace) return null;
  const makeMain = async () => {
    const { error } = await changeIt({ companyId: company.id, id: classification.id, version: classification.version, isMain: true });
    const text = error === undefined ? `Statements and proofs go by ${classification.name} from now on.` : describeFailure(error);
    dispatch(noticeGiven({ tone: error === undefined ? 'done' : 'refused', text }));
  };
  const act = (value: string) => {
    if (value === 'add' || value === 'rename' || value === 'delete') setAsked(value);
    else if (value === 'main') void makeMain();
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
            divided: mayPlace && at === classifications.length - 1,
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
        ]}
        onChoose={act}
      />
      {asked && <ClassificationDialog asked={asked} onClose={() => setAsked(null)} />}
    </>
  );
}

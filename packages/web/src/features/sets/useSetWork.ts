import type { SetDefinitionBody, StatementSetBody } from '@ivory-ladder/contract';
import { useRef, useState } from 'react';
import { useDispatch } from 'react-redux';
import { useChangeSetMutation } from '../../shared/api/setApi.ts';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { beginSteps, stepped, steppedBack, steppedForth, type UndoSteps } from '../../shared/state/undoSteps.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';

export interface SetContent {
  readonly name: string;
  readonly definition: SetDefinitionBody;
}

const contentOf = ({ name, definition }: StatementSetBody): SetContent => ({ name, definition });

/**
 * What is worked at in a set: each step is kept at once, one after another, and can be taken back. Where somebody else changed
 * the set meanwhile, what they left stands, and that is said.
 */
export function useSetWork(set: StatementSetBody) {
  const { id: companyId } = useCompany();
  const dispatch = useDispatch();
  const [change] = useChangeSetMutation();
  const [steps, setSteps] = useState<UndoSteps<SetContent>>(() => beginSteps(contentOf(set)));
  const version = useRef(set.version);
  const waiting = useRef(Promise.resolve());
  // What somebody else kept is shown where nothing of one's own is on its way.
  const [seen, setSeen] = useState(set);
  if (seen !== set) {
    setSeen(set);
    if (set.version > version.current) {
      version.current = set.version;
      setSteps(beginSteps(contentOf(set)));
    }
  }
  const keep = (content: SetContent) => {
    waiting.current = waiting.current.then(async () => {
      const { data, error } = await change({ companyId, setId: set.id, body: { ...content, version: version.current } });
      if (data) {
        version.current = data.version;
        return;
      }
      dispatch(noticeGiven({ tone: 'refused', text: describeFailure(error) }));
      setSteps(beginSteps(contentOf(set)));
    });
  };
  const go = (next: UndoSteps<SetContent>) => {
    if (next === steps) return;
    setSteps(next);
    keep(next.now);
  };
  return {
    content: steps.now,
    edit: (next: SetContent, what: string) => go(stepped(steps, next, what)),
    undo: () => go(steppedBack(steps)),
    redo: () => go(steppedForth(steps)),
    undoName: steps.past.at(-1)?.name ?? null,
    redoName: steps.future.at(-1)?.name ?? null,
  };
}

import { newPlanColumn, type PlanDefinition } from '@ivory-ladder/core';
import { describe, expect, it } from 'vitest';
import { beginSteps, stepped, steppedBack, steppedForth } from '../../shared/state/undoSteps.ts';
import { droppedBefore, namedBy, shifted, withColumn } from './planDraft.ts';

const plan: PlanDefinition = { columns: [newPlanColumn('amounts', 'now'), newPlanColumn('amounts', 'before')] };
const keys = ({ columns }: PlanDefinition) => columns.map(({ key }) => key);

describe('a column plan being composed', () => {
  it('gets a column behind the chosen one, with a key of its own; a change names the last two columns of amounts', () => {
    const changed = withColumn(plan, 'change', null);
    expect([keys(changed.plan), changed.plan.columns[2]]).toEqual([
      ['now', 'before', 'change_1'],
      { key: 'change_1', heading: '', group: '', kind: 'change', of: 'now', against: 'before' },
    ]);
    expect(keys(withColumn(changed.plan, 'change', 'now').plan)).toEqual(['now', 'change_2', 'before', 'change_1']);
  });

  it('moves a column by a place or before another, and not over the edge', () => {
    expect(keys(shifted(plan, 'before', -1))).toEqual(['before', 'now']);
    expect(shifted(plan, 'before', 1)).toBe(plan);
    expect(keys(droppedBefore(plan, 'now', null))).toEqual(['before', 'now']);
    expect(keys(droppedBefore(plan, 'before', 'now'))).toEqual(['before', 'now']);
    expect(droppedBefore(plan, 'now', 'now')).toBe(plan);
  });

  it('tells which columns name one, so that it is not taken away unknowingly', () => {
    const changed = withColumn(withColumn(plan, 'percent', null).plan, 'share', null).plan;
    expect([namedBy(changed, 'now'), namedBy(changed, 'before')]).toEqual([['percent_1', 'share_1'], ['percent_1']]);
  });

  it('is taken back and done again step by step, typing into one field as one', () => {
    const typed = stepped(
      stepped(stepped(beginSteps<PlanDefinition>(plan), { columns: [] }, 'Empty'), plan, 'Heading', 'a'),
      shifted(plan, 'now', 1),
      'Heading',
      'a',
    );
    expect(typed.past.map(({ name }) => name)).toEqual(['Empty', 'Heading']);
    expect(steppedBack(typed).now.columns).toEqual([]);
    expect(steppedForth(steppedBack(typed)).now).toEqual(typed.now);
    expect(steppedBack(beginSteps(plan))).toEqual(beginSteps(plan));
  });
});

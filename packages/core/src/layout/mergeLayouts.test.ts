import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { mergeLayouts } from './mergeLayouts.ts';
import { newLine } from './newLine.ts';
import { type FollowsOwnLine, type GroupOwnLine, type OwnLayout, type OwnLine, ownChildren, walkOwn } from './ownLayout.ts';

const layoutOf = (lines: readonly OwnLine[]): OwnLayout => ({ kind: 'free', title: 'Costs', titles: [], measure: 'movement', scope: [], lines });
const text = (key: string, caption = key): OwnLine => newLine('text', key, caption);
const group = (key: string, children: readonly OwnLine[]): OwnLine => ({ ...(newLine('group', key, key) as GroupOwnLine), children });
/** `a [b c] d`: keys, with those in a group behind it. */
const outline = ({ lines }: OwnLayout): string =>
  lines.map((line) => [line.key, ...(ownChildren(line).length > 0 ? [`[${outline(layoutOf(ownChildren(line)))}]`] : [])].join(' ')).join(' ');
const captions = ({ lines }: OwnLayout): Record<string, string> => {
  const found: Record<string, string> = {};
  walkOwn(lines, ({ key, caption }) => {
    found[key] = caption;
  });
  return found;
};

const base = layoutOf([text('a'), group('g', [text('b'), text('c')]), text('d')]);

describe('two states of a layout that went on from one', () => {
  it('have what either changed, line by line and setting by setting', () => {
    const mine = layoutOf([text('a', 'A'), group('g', [text('b'), text('c')]), text('d')]);
    const theirs = layoutOf([{ ...text('a'), note: '7' }, group('g', [text('b', 'B'), text('c')]), text('d')]);
    const { layout, joined, overridden } = mergeLayouts(base, mine, theirs);
    expect(layout.lines[0]).toEqual({ ...text('a', 'A'), note: '7' });
    expect(captions(layout)).toEqual({ a: 'A', g: 'g', b: 'B', c: 'c', d: 'd' });
    expect([joined, overridden]).toEqual([['A', 'B'], []]);
  });

  it('stand as mine where both changed the same otherwise, which is told', () => {
    const { layout, overridden } = mergeLayouts(base, layoutOf([text('a', 'Mine')]), { ...base, lines: [text('a', 'Theirs'), ...base.lines.slice(1)] });
    expect([captions(layout), overridden]).toEqual([{ a: 'Mine' }, ['Mine']]);
  });

  it('lose no line that one changed while the other took it out, and none that is left in a group that went', () => {
    const theirs = layoutOf([text('a'), group('g', [text('b', 'B'), text('c'), text('n', 'New')]), text('d')]);
    const { layout, joined } = mergeLayouts(base, layoutOf([text('a'), text('d')]), theirs);
    expect(outline(layout)).toBe('a d b n');
    expect(joined).toEqual(['B', 'New']);
  });

  it('keep the order of who changed it, and lines that were added behind those that they were added behind', () => {
    const mine = layoutOf([text('d'), text('x'), text('a'), group('g', [text('b'), text('c')])]);
    const theirs = layoutOf([text('a'), group('g', [text('c'), text('y'), text('b')]), text('d'), text('z')]);
    expect(outline(mergeLayouts(base, mine, theirs).layout)).toBe('d z x a g [c y b]');
    const moved = layoutOf([text('a'), text('b'), group('g', [text('c')]), text('d')]);
    expect(outline(mergeLayouts(base, mine, moved).layout)).toBe('d x a b g [c]');
  });

  it('have two lines where both added one under the same key, each spoken of by its own formulas', () => {
    const sum = (key: string): OwnLine => ({ ...newLine('calculation', 'twice', 'Twice'), formula: `${key} * 2` }) as OwnLine;
    const mine = layoutOf([...base.lines, text('text', 'Mine'), sum('text')]);
    const theirs = layoutOf([...base.lines, text('text', 'Theirs')]);
    const { layout } = mergeLayouts(base, mine, theirs);
    expect(captions(layout)).toMatchObject({ text: 'Theirs', text_2: 'Mine' });
    expect(layout.lines.find(({ key }) => key === 'twice')).toMatchObject({ formula: 'text_2 * 2' });
  });

  it('join adjustments of lines that follow, each by its own', () => {
    const follows = (adjustments: FollowsOwnLine['adjustments']): OwnLine => ({ ...(newLine('follows', 'f', 'Follows') as FollowsOwnLine), adjustments });
    const start = layoutOf([follows([{ key: 'category.1', caption: 'One' }])]);
    const mine = layoutOf([follows([{ key: 'category.1', caption: 'One', note: '3' }])]);
    const theirs = layoutOf([
      follows([
        { key: 'category.1', caption: 'First' },
        { key: 'category.2', reversed: true },
      ]),
    ]);
    expect((mergeLayouts(start, mine, theirs).layout.lines[0] as FollowsOwnLine).adjustments).toEqual([
      { key: 'category.1', caption: 'First', note: '3' },
      { key: 'category.2', reversed: true },
    ]);
  });

  it('are that of the other where one is as it was, in whatever order its fields come', () => {
    const shuffled = JSON.parse(
      JSON.stringify(base, (_, value: unknown) =>
        value && typeof value === 'object' && !Array.isArray(value) ? Object.fromEntries(Object.entries(value).reverse()) : value,
      ),
    ) as OwnLayout;
    const other = layoutOf([text('d'), group('g', [text('b', 'B')])]);
    expect(mergeLayouts(base, shuffled, other).layout).toEqual(other);
    expect(mergeLayouts(shuffled, other, base)).toMatchObject({ isOther: false, joined: [], overridden: [] });
  });

  it('come out whole, whatever two people did: each line once, none of either lost, none that both took out', () => {
    const keys = ['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h'];
    const anyLayout = fc
      .array(fc.record({ key: fc.constantFrom(...keys), in: fc.option(fc.constantFrom('g', 'h'), { nil: null }), caption: fc.constantFrom('1', '2') }), {
        maxLength: 10,
      })
      .map((placed) => {
        const once = [...new Map(placed.map((one) => [one.key, one])).values()];
        const within = (parent: string | null, depth: number): OwnLine[] =>
          once
            .filter((one) => (one.in !== null && one.in !== one.key && once.some(({ key }) => key === one.in) ? one.in : null) === parent)
            .map(({ key, caption }) => (key === 'g' || key === 'h' ? { ...group(key, depth > 3 ? [] : within(key, depth + 1)), caption } : text(key, caption)));
        return layoutOf(within(null, 0));
      });
    fc.assert(
      fc.property(anyLayout, anyLayout, anyLayout, (first, mine, theirs) => {
        const seen: string[] = [];
        walkOwn(mergeLayouts(first, mine, theirs).layout.lines, ({ key }) => void seen.push(key));
        expect(seen.length).toBe(new Set(seen).size);
        const [was, is, other] = [captions(first), captions(mine), captions(theirs)];
        for (const key of keys) {
          if (key in is && key in other) expect(seen).toContain(key);
          if (!(key in was) && (key in is || key in other)) expect(seen).toContain(key);
          if (!(key in is) && !(key in other)) expect(seen).not.toContain(key);
          if (key in was && key in is && !(key in other) && was[key] === is[key]) expect(seen).not.toContain(key);
        }
      }),
      { numRuns: 500 },
    );
  });
});

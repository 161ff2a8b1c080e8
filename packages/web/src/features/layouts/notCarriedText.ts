import type { AnswerOf } from '../../shared/api/operationTypes.ts';

type Missing = AnswerOf<'addLayoutFile'>['missing'][number];

const mostNamed = 6;

/** What a layout file names that is not here, and what became of it: codes stay in their lines and take accounts once the list has them. */
export function notCarriedText(missing: readonly Pick<Missing, 'thing' | 'name'>[]): string {
  const of = (...things: readonly Missing['thing'][]): string[] => [...new Set(missing.flatMap(({ thing, name }) => (things.includes(thing) ? [name] : [])))];
  const [gone, codes, fixed] = [of('category', 'account', 'list'), of('code'), of('transfer')];
  return [
    'Brought in.',
    ...(gone.length > 0 ? [`Left out, since this chart does not have it: ${named(gone)}.`] : []),
    ...(codes.length > 0 ? [`In no list here, and without accounts until they are: ${named(codes)}.`] : []),
    ...(fixed.length > 0 ? [`Left behind, as amounts of another company: ${named(fixed)}.`] : []),
  ].join(' ');
}

function named(names: readonly string[]): string {
  return `${names.slice(0, mostNamed).join(', ')}${names.length > mostNamed ? ` and ${names.length - mostNamed} more` : ''}`;
}

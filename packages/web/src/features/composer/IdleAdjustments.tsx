import { counted } from '../../shared/words/counted.ts';
import styles from './ComposerScreen.module.css';
import type { Composer } from './useComposer.ts';

const wrongWords = {
  sum_line_unknown: 'adds a line that has gone',
  hidden_nowhere: 'is never shown and counts in its total: choose the line in whose figure it is',
  hidden_in_unknown: 'is to be shown in a line that does not stand beside it',
  transfer_line_unknown: 'moves an amount to or from a line that has gone or takes no accounts',
  no_cash: 'has no cash to show: no account has the role cash',
} as const;

/** Adjustments whose line has gone from the tree, and lines that follow what is not there: kept, named, and dropped when somebody says so. */
export function IdleAdjustments({ composer, mayCompose }: { readonly composer: Composer; readonly mayCompose: boolean }) {
  const { findings, origins } = composer.expanded;
  const transferOf = (key: string) => composer.layout.transfers?.find((one) => one.key === key)?.text;
  const captionOf = (key: string): string => composer.expanded.byKey.get(key)?.caption ?? transferOf(key) ?? key;
  const idle = findings.flatMap((finding) => (finding.code === 'adjustment_idle' ? [finding] : []));
  const gone = findings.flatMap((finding) => (finding.code === 'source_unknown' || finding.code === 'followed_unknown' ? [finding.key] : []));
  const unlisted = findings.flatMap((finding) => (finding.code === 'listed_code_unknown' ? [finding] : []));
  const wrong = findings.flatMap((finding) => (finding.code in wrongWords ? [finding as typeof finding & { readonly code: keyof typeof wrongWords }] : []));
  const apart = [...origins].flatMap(([key, origin]) => (origin.kind === 'followed' && origin.adjustment?.apart ? [{ key, was: origin.was }] : []));
  if (idle.length + gone.length + apart.length + unlisted.length + wrong.length === 0) return null;
  return (
    <details className={styles.idle}>
      <summary>
        {[
          apart.length > 0 ? `${counted(apart.length, 'category', 'categories')} left to other lines` : '',
          idle.length > 0 ? `${counted(idle.length, 'adjustment')} idle` : '',
          gone.length + unlisted.length + wrong.length > 0
            ? `${counted(new Set([...gone, ...[...unlisted, ...wrong].map(({ key }) => key)]).size, 'line')} at fault`
            : '',
        ]
          .filter(Boolean)
          .join(', ')}
      </summary>
      <ul>
        {apart.map(({ key, was }) => (
          <li key={key}>
            {was} is left to other lines
            {mayCompose && (
              <button type="button" onClick={() => composer.edit([{ kind: 'follow_again', key }], `Follow ${was} again`)}>
                Follow again
              </button>
            )}
          </li>
        ))}
        {idle.map(({ key, adjusted, caption, of }) => (
          <li key={`${key} ${adjusted} ${caption}`}>
            {of === 'line'
              ? `${caption || adjusted}: its line in «${captionOf(key)}» has gone`
              : `${caption} stands last in «${captionOf(key)}»: the line it stood behind has gone`}
            {mayCompose && (
              <button
                type="button"
                onClick={() =>
                  composer.edit(
                    [{ kind: 'drop_idle', follows: key, adjusted }],
                    of === 'line' ? `Drop what was said of ${caption || adjusted}` : `Leave ${caption} where it stands`,
                  )
                }
              >
                {of === 'line' ? 'Drop it' : 'Leave it there'}
              </button>
            )}
          </li>
        ))}
        {[...new Set(gone)].map((key) => (
          <li key={`gone ${key}`}>«{captionOf(key)}» names a category, account, list or number text that is not there</li>
        ))}
        {unlisted.map(({ key, list, named }) => (
          <li key={`unlisted ${key} ${list} ${named}`}>
            «{captionOf(key)}» takes the code {named}, which {composer.lists.find((one) => one.key === list)?.name ?? 'its list'} does not have
          </li>
        ))}
        {wrong.map(({ key, code }) => (
          <li key={`wrong ${key} ${code}`}>
            «{captionOf(key)}» {wrongWords[code]}
          </li>
        ))}
      </ul>
    </details>
  );
}

import styles from './CoverageScreen.module.css';
import type { CoveredScope } from './coverageModel.ts';

interface CoverageScopesProps {
  readonly scopes: readonly CoveredScope[];
  readonly chosen: CoveredScope;
  readonly onChoose: (key: string) => void;
}

/** What coverage is claimed of, each with how many of its accounts are as they should be. */
export function CoverageScopes({ scopes, chosen, onChoose }: CoverageScopesProps) {
  const groups = [
    { title: 'Placement', own: scopes.filter(({ list, layoutId }) => list === null && layoutId === null) },
    { title: 'Composed layouts', own: scopes.filter(({ layoutId }) => layoutId !== null) },
    { title: 'Code lists', own: scopes.filter(({ list }) => list !== null) },
  ];
  return (
    <aside className={styles.panel} aria-label="Coverage of">
      {groups
        .filter(({ own }) => own.length > 0)
        .map(({ title, own }) => (
          <section key={title} aria-label={title}>
            <h2>{title}</h2>
            <ul className={styles.scopes}>
              {own.map((scope) => (
                <li key={scope.key}>
                  <button type="button" className={styles.scope} aria-current={scope === chosen || undefined} onClick={() => onChoose(scope.key)}>
                    <span>
                      <b>{scope.name}</b>
                      {scope.isClaimed && <small className={scope.faulty > 0 ? styles.wrong : undefined}>{scope.faulty > 0 ? `▲ ${scope.faulty}` : '✓'}</small>}
                    </span>
                    {scope.isClaimed && (
                      <span className={styles.bar} aria-hidden>
                        <i style={{ width: `${scope.inScope === 0 ? 100 : (100 * (scope.inScope - scope.faulty)) / scope.inScope}%` }} />
                      </span>
                    )}
                    <small>{noteOf(scope)}</small>
                  </button>
                </li>
              ))}
            </ul>
          </section>
        ))}
    </aside>
  );
}

function noteOf({ isClaimed, inScope, faulty, rows }: CoveredScope): string {
  const odd = rows.filter(({ concern }) => concern === 'look').length;
  const look = odd === 0 ? '' : `, ${odd} to look at`;
  if (!isClaimed) return `not declared complete${look}`;
  return `${inScope - faulty} of ${inScope}${look}`;
}

import Bowser from 'bowser';
import { Link } from 'react-router';
import { useEndSessionMutation, useGetSessionQuery, useListSessionsQuery } from '../../shared/api/peopleApi.ts';
import { ToSignIn } from '../../shared/state/ToSignIn.tsx';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { momentText } from '../../shared/words/momentText.ts';
import styles from './InstallationScreen.module.css';

/** Where one is signed in, to end what one does not know. */
export function SessionsScreen() {
  const { data: session } = useGetSessionQuery();
  const { data, error } = useListSessionsQuery();
  const [end, ending] = useEndSessionMutation();
  if (session && !session.person) return <ToSignIn />;
  const failure = ending.error ?? error;
  return (
    <main className={styles.screen}>
      <section className={styles.sheet} aria-labelledby="sessions-title">
        <h1 id="sessions-title">Where you are signed in</h1>
        {failure !== undefined && (
          <p role="alert" className={styles.failed}>
            {describeFailure(failure)}
          </p>
        )}
        <table className={styles.table}>
          <thead>
            <tr>
              <th scope="col">Browser</th>
              <th scope="col">From</th>
              <th scope="col">Since</th>
              <th scope="col">Last seen</th>
              <th scope="col">
                <span className="unseen">Actions</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {(data?.sessions ?? []).map(({ mark, device, origin, startedAt, lastSeen, isHere }) => (
              <tr key={mark}>
                <th scope="row">
                  {browserText(device)}
                  {isHere && <span className={styles.quiet}> (this one)</span>}
                </th>
                <td>{origin}</td>
                <td>{momentText(startedAt)}</td>
                <td>{isHere ? 'now' : momentText(lastSeen ?? startedAt)}</td>
                <td className={styles.actions}>
                  {!isHere && (
                    <button type="button" onClick={() => void end({ body: { mark } })}>
                      Sign out there
                    </button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        <p className={styles.quiet}>One you do not know? Sign it out, then change your password: that signs out every other place.</p>
        <p>
          <Link to="/companies">Back to the companies</Link>
        </p>
      </section>
    </main>
  );
}

function browserText(device: string): string {
  if (device === '') return 'not known';
  const { browser, os } = Bowser.parse(device);
  const name = [browser.name, os.name && `on ${os.name}`].filter(Boolean).join(' ');
  return name === '' ? device.slice(0, 40) : name;
}

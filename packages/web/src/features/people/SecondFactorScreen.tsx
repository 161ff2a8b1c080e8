import { useState } from 'react';
import { useDispatch } from 'react-redux';
import { Link, useSearchParams } from 'react-router';
import { ivoryApi } from '../../shared/api/ivoryApi.ts';
import { useGetSecondFactorQuery, useGetSessionQuery, useSignOutMutation } from '../../shared/api/peopleApi.ts';
import { ToSignIn } from '../../shared/state/ToSignIn.tsx';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import styles from './EntrySheet.module.css';
import { EntrySheet } from './EntrySheet.tsx';
import { KeepSecondFactor } from './KeepSecondFactor.tsx';
import { placeWithin } from './placeWithin.ts';
import { RecoveryCodes } from './RecoveryCodes.tsx';
import { SetUpSecondFactor } from './SetUpSecondFactor.tsx';

/** One's own second factor: set up with a device, kept with recovery codes, taken away. */
export function SecondFactorScreen() {
  const dispatch = useDispatch();
  const { data: session } = useGetSessionQuery();
  const [params] = useSearchParams();
  const { data, error } = useGetSecondFactorQuery();
  const [signOut] = useSignOutMutation();
  const [codes, setCodes] = useState<readonly string[] | null>(null);
  if (session && !session.person) return <ToSignIn />;
  const back = placeWithin(params.get('to'));
  /** What was refused before is asked for anew. */
  const goOn = () => {
    setCodes(null);
    dispatch(ivoryApi.util.resetApiState());
  };
  if (codes)
    return (
      <EntrySheet title="Keep these codes">
        <RecoveryCodes codes={codes} name={session?.person?.email ?? ''} back={back} onKept={goOn} />
      </EntrySheet>
    );
  return (
    <EntrySheet title="Second factor">
      {error !== undefined && (
        <p role="alert" className={styles.refused}>
          {describeFailure(error)}
        </p>
      )}
      {data && !session?.person?.hasPassword && <p>You came in without a password, so there is nothing to add to it.</p>}
      {data &&
        session?.person?.hasPassword &&
        (data.isOn ? <KeepSecondFactor state={data} onCodes={setCodes} /> : <SetUpSecondFactor isRequired={data.isRequired} onCodes={setCodes} />)}
      {session?.lacksSecondFactor === true ? (
        <p>
          <button
            type="button"
            className={styles.asLink}
            onClick={async () => {
              await signOut();
              window.location.assign('/sign-in');
            }}
          >
            Sign out
          </button>
        </p>
      ) : (
        <p>
          <Link to={back}>Back to the companies</Link>
        </p>
      )}
    </EntrySheet>
  );
}

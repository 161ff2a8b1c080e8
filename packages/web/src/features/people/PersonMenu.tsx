import AccountCircle from '@mui/icons-material/AccountCircleOutlined';
import Divider from '@mui/material/Divider';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { useDispatch } from 'react-redux';
import { useNavigate } from 'react-router';
import { useGetSessionQuery, useSignOutEverywhereMutation, useSignOutMutation } from '../../shared/api/peopleApi.ts';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import styles from './PersonMenu.module.css';

/** Who is signed in, in which role, and the way out. */
export function PersonMenu({ role }: { role?: string }) {
  const dispatch = useDispatch();
  const navigate = useNavigate();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const { data } = useGetSessionQuery();
  const [signOut] = useSignOutMutation();
  const [signOutEverywhere] = useSignOutEverywhereMutation();
  const person = data?.person;
  if (!person) return null;
  const leave = async (everywhere: boolean) => {
    setAnchor(null);
    const left = await (everywhere ? signOutEverywhere() : signOut());
    if (left.error !== undefined) return void dispatch(noticeGiven({ tone: 'refused', text: describeFailure(left.error) }));
    // The page is loaded anew, so that nothing of what this person saw or could undo stays for the next one.
    window.location.assign('/sign-in');
  };
  return (
    <div>
      <button
        type="button"
        className={styles.person}
        aria-haspopup="menu"
        aria-expanded={anchor !== null}
        title={`${person.name}${role ? `, ${role}` : ''}`}
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        <AccountCircle fontSize="inherit" aria-hidden />
        <span>{person.name}</span>
        {role && <span className={styles.role}>{role}</span>}
      </button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        <li className={styles.who}>
          {person.name}
          <br />
          {person.email}
        </li>
        <Divider />
        {person.hasPassword && <MenuItem onClick={() => void navigate('/password')}>Change password…</MenuItem>}
        {person.hasPassword && <MenuItem onClick={() => void navigate('/second-factor')}>Second factor…</MenuItem>}
        <MenuItem onClick={() => void navigate('/sessions')}>Where you are signed in…</MenuItem>
        {person.keepsInstallation && <MenuItem onClick={() => void navigate('/installation')}>The installation…</MenuItem>}
        <MenuItem onClick={() => void leave(false)}>Sign out</MenuItem>
        <MenuItem onClick={() => void leave(true)}>Sign out everywhere</MenuItem>
      </Menu>
    </div>
  );
}

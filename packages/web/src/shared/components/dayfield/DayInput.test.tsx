// @vitest-environment jsdom
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { afterEach, describe, expect, it } from 'vitest';
import { DayInput } from './DayInput.tsx';
import { DayTextField } from './DayTextField.tsx';

afterEach(cleanup);

const chosen: string[] = [];

function Field({ first, min, isNeeded = false }: { first: string; min?: string; isNeeded?: boolean }) {
  const [day, setDay] = useState(first);
  return (
    <form aria-label="form">
      <DayInput
        aria-label="Day"
        value={day}
        {...(min === undefined ? {} : { min })}
        onChange={(next) => {
          chosen.push(next);
          if (next !== '' || !isNeeded) setDay(next);
        }}
      />
      <button type="button" onClick={() => setDay('2020-01-01')}>
        elsewhere
      </button>
    </form>
  );
}

function show(props: Parameters<typeof Field>[0]) {
  chosen.length = 0;
  render(<Field {...props} />);
  const field = screen.getByLabelText<HTMLInputElement>('Day');
  return { field, user: userEvent.setup() };
}

describe('the field of a day', () => {
  it('shows the day as days are written here, in whatever country the browser is', () => {
    expect(show({ first: '2026-09-03' }).field.value).toBe('3 Sep 2026');
  });

  it('takes a day as soon as it is whole, and writes it out when it is left', async () => {
    const { field, user } = show({ first: '2026-09-03' });
    await user.click(field);
    await user.keyboard('4.10.2027');
    expect([chosen, field.value]).toEqual([['2027-10-04'], '4.10.2027']);
    await user.tab();
    expect([chosen, field.value]).toEqual([['2027-10-04'], '4 Oct 2027']);
  });

  it('takes a day without its year, near the one that stood there, only when it is left or with Enter', async () => {
    const { field, user } = show({ first: '2026-09-03' });
    await user.click(field);
    await user.keyboard('24 Dec');
    expect(chosen).toEqual([]);
    await user.keyboard('{Enter}');
    expect([chosen, field.value]).toEqual([['2026-12-24'], '24 Dec 2026']);
  });

  it('leaves what is no day standing, refuses a form with it, and says so only when it is left', async () => {
    const { field, user } = show({ first: '2026-09-03' });
    await user.click(field);
    await user.keyboard('31 Sep 2026');
    expect([field.getAttribute('aria-invalid'), field.form?.checkValidity()]).toEqual([null, false]);
    await user.tab();
    expect([chosen, field.value, field.getAttribute('aria-invalid'), field.title]).toEqual([[], '31 Sep 2026', 'true', 'Write a day, such as 30 Sep 2026']);
    await user.clear(field);
    await user.type(field, '30 Sep 2026');
    expect([chosen, field.getAttribute('aria-invalid'), field.form?.checkValidity()]).toEqual([['', '2026-09-30'], null, true]);
  });

  it('is emptied, and stands again as it was where a day is needed', async () => {
    const { field, user } = show({ first: '2026-09-03', isNeeded: true });
    await user.clear(field);
    expect([chosen, field.value]).toEqual([[''], '']);
    await user.tab();
    expect(field.value).toBe('3 Sep 2026');
  });

  it('goes by days with the arrows and by months with Page Up and Page Down, the last day of a month to the last', async () => {
    const { field, user } = show({ first: '2026-02-28' });
    await user.click(field);
    await user.keyboard('{PageUp}');
    await user.keyboard('{ArrowUp}');
    await user.keyboard('{ArrowDown}{ArrowDown}');
    await user.keyboard('{PageDown}');
    expect(chosen).toEqual(['2026-03-31', '2026-04-01', '2026-03-31', '2026-03-30', '2026-02-28']);
  });

  it('gives way to a day that is chosen elsewhere meanwhile', async () => {
    const { field, user } = show({ first: '2026-09-03' });
    await user.click(field);
    await user.keyboard('nonsense');
    await user.click(screen.getByText('elsewhere'));
    expect([field.value, field.getAttribute('aria-invalid')]).toEqual(['1 Jan 2020', null]);
  });

  it('takes no day before the first that is allowed', async () => {
    const { field, user } = show({ first: '2026-09-03', min: '2026-09-01' });
    await user.click(field);
    await user.keyboard('31.8.2026');
    await user.tab();
    expect([field.form?.checkValidity(), field.title]).toEqual([false, 'Not before 1 September 2026']);
  });

  it('opens a calendar whose weeks begin on Monday, and takes the day clicked there', async () => {
    const { field, user } = show({ first: '2026-09-03' });
    await user.click(field);
    await user.keyboard('{Alt>}{ArrowDown}{/Alt}');
    const heads = await screen.findAllByRole('columnheader', {}, { timeout: 20_000 });
    expect(heads[0]?.getAttribute('aria-label')).toBe('Monday');
    await user.click(screen.getByRole('gridcell', { name: '17' }));
    expect([chosen, field.value]).toEqual([['2026-09-17'], '17 Sep 2026']);
  });

  it('says in the forms of labelled fields below it what is wrong', async () => {
    render(<DayTextField label="Date" value="2026-09-03" onChange={() => undefined} helperText="Locked by nobody" />);
    const field = screen.getByLabelText<HTMLInputElement>('Date');
    const user = userEvent.setup();
    expect([field.value, screen.queryByText('Locked by nobody') !== null]).toEqual(['3 Sep 2026', true]);
    await user.click(field);
    await user.keyboard('31 Sep 2026');
    await user.tab();
    expect(screen.queryByText('Write a day, such as 30 Sep 2026')).not.toBeNull();
  });
});

import { createBrowserRouter, Navigate, redirect } from 'react-router';
import { StatementScreen } from '../features/statements/StatementScreen.tsx';
import { CompanyFrame } from './CompanyFrame.tsx';
import { CompanyStart } from './CompanyStart.tsx';
import { NotFound } from './NotFound.tsx';

const loading = <output className="unseen">Loading</output>;

/** The statement is in the first load; the other screens come when they are opened. Begins to load that of the address as soon as it is made. */
export const makeRouter = () =>
  createBrowserRouter([
    { path: '/', element: <Navigate to="/companies" replace /> },
    {
      path: '/companies',
      lazy: async () => ({ Component: (await import('../features/companies/CompaniesScreen.tsx')).CompaniesScreen }),
      hydrateFallbackElement: loading,
    },
    {
      path: '/companies/new',
      lazy: async () => ({ Component: (await import('../features/companies/NewCompanyScreen.tsx')).NewCompanyScreen }),
      hydrateFallbackElement: loading,
    },
    {
      path: '/sign-in',
      lazy: async () => ({ Component: (await import('../features/people/SignInScreen.tsx')).SignInScreen }),
      hydrateFallbackElement: loading,
    },
    { path: '/join', lazy: async () => ({ Component: (await import('../features/people/JoinScreen.tsx')).JoinScreen }), hydrateFallbackElement: loading },
    {
      path: '/password',
      lazy: async () => ({ Component: (await import('../features/people/PasswordScreen.tsx')).PasswordScreen }),
      hydrateFallbackElement: loading,
    },
    {
      path: '/second-factor',
      lazy: async () => ({ Component: (await import('../features/people/SecondFactorScreen.tsx')).SecondFactorScreen }),
      hydrateFallbackElement: loading,
    },
    {
      path: '/sessions',
      lazy: async () => ({ Component: (await import('../features/people/SessionsScreen.tsx')).SessionsScreen }),
      hydrateFallbackElement: loading,
    },
    {
      path: '/installation',
      lazy: async () => ({ Component: (await import('../features/people/InstallationScreen.tsx')).InstallationScreen }),
      hydrateFallbackElement: loading,
    },
    {
      path: '/companies/:companyId',
      element: <CompanyFrame />,
      hydrateFallbackElement: loading,
      children: [
        { index: true, element: <CompanyStart /> },
        { path: 'ledger', lazy: async () => ({ Component: (await import('../features/ledger/LedgerScreen.tsx')).LedgerScreen }) },
        { path: 'ledger/chart', lazy: async () => ({ Component: (await import('../features/chart/ChartScreen.tsx')).ChartScreen }) },
        { path: 'ledger/entries', lazy: async () => ({ Component: (await import('../features/entries/EntriesScreen.tsx')).EntriesScreen }) },
        { path: 'ledger/entries/new', lazy: async () => ({ Component: (await import('../features/entries/NewEntryScreen.tsx')).NewEntryScreen }) },
        { path: 'ledger/entries/import', lazy: async () => ({ Component: (await import('../features/journal/JournalImportScreen.tsx')).JournalImportScreen }) },
        { path: 'ledger/opening', lazy: async () => ({ Component: (await import('../features/opening/OpeningScreen.tsx')).OpeningScreen }) },
        { path: 'ledger/budgets', lazy: async () => ({ Component: (await import('../features/budgets/BudgetsScreen.tsx')).BudgetsScreen }) },
        { path: 'ledger/rates', lazy: async () => ({ Component: (await import('../features/rates/RatesScreen.tsx')).RatesScreen }) },
        { path: 'ledger/accounts', lazy: async () => ({ Component: (await import('../features/accountledger/AccountLedgerScreen.tsx')).AccountLedgerScreen }) },
        { path: 'ledger/calendar', lazy: async () => ({ Component: (await import('../features/calendar/CalendarScreen.tsx')).CalendarScreen }) },
        { path: 'ledger/trial-balance-file/:fileId', lazy: async () => ({ Component: (await import('../features/importing/ImportScreen.tsx')).ImportScreen }) },
        { path: 'ledger/chart/file/:fileId', lazy: async () => ({ Component: (await import('../features/chartfile/ChartFileScreen.tsx')).ChartFileScreen }) },
        {
          path: 'placement',
          lazy: async () => ({ Component: (await import('../features/rehearsal/PlacementFrame.tsx')).PlacementFrame }),
          children: [
            { index: true, lazy: async () => ({ Component: (await import('../features/placement/PlacementScreen.tsx')).PlacementScreen }) },
            { path: 'ranges', lazy: async () => ({ Component: (await import('../features/ranges/RangesScreen.tsx')).RangesScreen }) },
            { path: 'coverage', lazy: async () => ({ Component: (await import('../features/coverage/CoverageScreen.tsx')).CoverageScreen }) },
            { path: 'record', lazy: async () => ({ Component: (await import('../features/record/PlacementRecordScreen.tsx')).PlacementRecordScreen }) },
          ],
        },
        { path: 'placement/codes', lazy: async () => ({ Component: (await import('../features/codes/CodeListsScreen.tsx')).CodeListsScreen }) },
        { path: 'history', lazy: async () => ({ Component: (await import('../features/history/HistoryScreen.tsx')).HistoryScreen }) },
        { path: 'settings', lazy: async () => ({ Component: (await import('../features/settings/SettingsScreen.tsx')).SettingsScreen }) },
        { path: 'people', lazy: async () => ({ Component: (await import('../features/people/PeopleScreen.tsx')).PeopleScreen }) },
        { path: 'layouts', lazy: async () => ({ Component: (await import('../features/layouts/LayoutsScreen.tsx')).LayoutsScreen }) },
        { path: 'layouts/columns', lazy: async () => ({ Component: (await import('../features/columns/ColumnPlansScreen.tsx')).ColumnPlansScreen }) },
        { path: 'layouts/:layoutId', lazy: async () => ({ Component: (await import('../features/composer/ComposerScreen.tsx')).ComposerScreen }) },
        {
          path: 'statements',
          loader: ({ request }) => {
            const { pathname, search } = new URL(request.url);
            return redirect(`${pathname}/income-statement${search}`);
          },
        },
        { path: 'statements/sets/:setId?', lazy: async () => ({ Component: (await import('../features/sets/SetsScreen.tsx')).SetsScreen }) },
        { path: 'statements/:kind', element: <StatementScreen /> },
        { path: 'proofs', lazy: async () => ({ Component: (await import('../features/proofs/ProofsScreen.tsx')).ProofsScreen }) },
      ],
    },
    { path: '*', element: <NotFound /> },
  ]);

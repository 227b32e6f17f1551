import { Navigate, type RouteObject } from 'react-router-dom';
import { AccountPage } from '../areas/accounts';
import { CashPage } from '../areas/cash';
import { CompanySettings } from '../areas/company';
import { Calendars } from '../areas/dates';
import { BoardPage, TodayPage } from '../areas/insight';
import { LateChargePolicies, ReferenceRates } from '../areas/latecharges';
import { GroupPage } from '../areas/limits';
import { ExchangeRates } from '../areas/money';
import { OrdersPage } from '../areas/orders';
import { PoliciesPage } from '../areas/policies';
import { ReminderPlans } from '../areas/reminders';
import { TaxCodes } from '../areas/taxes';
import { TermsPolicies } from '../areas/terms';
import { UsersPage } from '../areas/users';
import { NotFound } from '../shell/NotFound';

/** The page of each address; any other address says that it leads nowhere. */
export const pages: RouteObject[] = [
  { path: '/', element: <Navigate to="/today" replace /> },
  { path: '/today', element: <TodayPage /> },
  { path: '/orders', element: <OrdersPage /> },
  { path: '/groups/:name', element: <GroupPage /> },
  { path: '/accounts', element: <BoardPage /> },
  { path: '/accounts/:code', element: <AccountPage /> },
  { path: '/cash', element: <CashPage /> },
  {
    path: '/policies',
    element: <PoliciesPage />,
    children: [
      { index: true, element: <Navigate to="terms" replace /> },
      { path: 'terms', element: <TermsPolicies /> },
      { path: 'late-charges', element: <LateChargePolicies /> },
      { path: 'reminders', element: <ReminderPlans /> },
      { path: 'tax-codes', element: <TaxCodes /> },
      { path: 'reference-rates', element: <ReferenceRates /> },
      { path: 'calendars', element: <Calendars /> },
      { path: 'exchange-rates', element: <ExchangeRates /> },
      { path: 'company', element: <CompanySettings /> },
      { path: 'users', element: <UsersPage /> },
      { path: '*', element: <NotFound /> },
    ],
  },
  { path: '*', element: <NotFound /> },
];

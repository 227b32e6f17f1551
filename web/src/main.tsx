import '@fontsource-variable/source-sans-3';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { App as AntApp, ConfigProvider } from 'antd';
import { StrictMode, useEffect, useMemo, useState } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, Navigate, RouterProvider } from 'react-router-dom';
import { client } from './api/generated/client.gen';
import { answered, keyOf } from './api/once';
import { AccountPage } from './areas/accounts/AccountPage';
import { GroupPage } from './areas/accounts/GroupPage';
import { BoardPage } from './areas/accounts/BoardPage';
import { CashPage } from './areas/cash/CashPage';
import { Calendars } from './areas/policies/Calendars';
import { CompanySettings } from './areas/policies/CompanySettings';
import { LateChargePolicies } from './areas/policies/LateChargePolicies';
import { ExchangeRates } from './areas/policies/ExchangeRates';
import { OrdersPage } from './areas/orders/OrdersPage';
import { TodayPage } from './areas/today/TodayPage';
import { PoliciesPage } from './areas/policies/PoliciesPage';
import { ReferenceRates } from './areas/policies/ReferenceRates';
import { ReminderPlans } from './areas/policies/ReminderPlans';
import { TaxCodes } from './areas/policies/TaxCodes';
import { TermsPolicies } from './areas/policies/TermsPolicies';
import { SessionGate } from './areas/users/SessionGate';
import { UsersPage } from './areas/users/UsersPage';
import { Fault } from './shell/Fault';
import { Shell } from './shell/Shell';
import './shell/shell.css';
import { antTheme } from './shell/theme';
import { WorkingsProvider } from './workings/Workings';

client.setConfig({ baseUrl: '' });
client.interceptors.request.use((request, options) => {
  const key =
    request.headers.get('Idempotency-Key') ?? keyOf(request.method, request.url, options.serializedBody ?? '');
  if (key) request.headers.set('Idempotency-Key', key);
  return request;
});
client.interceptors.response.use((response, request) => {
  answered(request.headers.get('Idempotency-Key'));
  return response;
});
const queries = new QueryClient({ defaultOptions: { queries: { staleTime: 10_000, retry: 1 } } });

function Root() {
  const [dark, setDark] = useState(() => localStorage.getItem('theme') === 'dark');
  useEffect(() => {
    document.documentElement.dataset.theme = dark ? 'dark' : 'light';
    localStorage.setItem('theme', dark ? 'dark' : 'light');
  }, [dark]);
  const router = useMemo(
    () =>
      createBrowserRouter([
        {
          errorElement: <Fault />,
          element: <Shell dark={dark} onTheme={() => setDark(!dark)} />,
          children: [
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
              ],
            },
            { path: '*', element: <Navigate to="/accounts" replace /> },
          ],
        },
      ]),
    [dark],
  );
  return (
    <ConfigProvider theme={antTheme(dark)}>
      <AntApp style={{ height: '100%' }}>
        <SessionGate>
          <WorkingsProvider>
            <RouterProvider router={router} />
          </WorkingsProvider>
        </SessionGate>
      </AntApp>
    </ConfigProvider>
  );
}

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <Root />
    </QueryClientProvider>
  </StrictMode>,
);

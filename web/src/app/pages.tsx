import { Navigate, Route } from 'react-router-dom';
import { AccountPage } from '../areas/accounts';
import { CashPage } from '../areas/cash';
import { CompanySettings } from '../areas/company';
import { Calendars } from '../areas/dates';
import {
  AgeingPage,
  BoardPage,
  CashForecastPage,
  InsightPage,
  LeakagePage,
  MailedPage,
  MeasuresPage,
  ProvisionPage,
  TodayPage,
} from '../areas/insight';
import { LateChargePolicies, ReferenceRates } from '../areas/latecharges';
import { GroupPage } from '../areas/limits';
import { ExchangeRates } from '../areas/money';
import { OrdersPage } from '../areas/orders';
import { OutboxPage } from '../areas/outbox';
import { PoliciesPage } from '../areas/policies';
import { ReminderPlans } from '../areas/reminders';
import { RunPage, RunsPage } from '../areas/runs';
import { TaxCodes } from '../areas/taxes';
import { TermsPolicies } from '../areas/terms';
import { UsersPage } from '../areas/users';
import { WhatIfPage } from '../areas/whatif';
import { NotFound } from '../shell/NotFound';

/** The page of each address; any other address says that it leads nowhere. */
export const pages = (
  <>
    <Route path="/" element={<Navigate to="/today" replace />} />
    <Route path="/today" element={<TodayPage />} />
    <Route path="/orders" element={<OrdersPage />} />
    <Route path="/groups/:name" element={<GroupPage />} />
    <Route path="/accounts" element={<BoardPage />} />
    <Route path="/accounts/:code" element={<AccountPage />} />
    <Route path="/cash" element={<CashPage />} />
    <Route path="/runs" element={<RunsPage />} />
    <Route path="/runs/:id" element={<RunPage />} />
    <Route path="/outbox" element={<OutboxPage />} />
    <Route path="/policies" element={<PoliciesPage />}>
      <Route index element={<Navigate to="terms" replace />} />
      <Route path="terms" element={<TermsPolicies />} />
      <Route path="late-charges" element={<LateChargePolicies />} />
      <Route path="reminders" element={<ReminderPlans />} />
      <Route path="tax-codes" element={<TaxCodes />} />
      <Route path="reference-rates" element={<ReferenceRates />} />
      <Route path="calendars" element={<Calendars />} />
      <Route path="exchange-rates" element={<ExchangeRates />} />
      <Route path="company" element={<CompanySettings />} />
      <Route path="users" element={<UsersPage />} />
    </Route>
    <Route path="/insight" element={<InsightPage />}>
      <Route index element={<Navigate to="ageing" replace />} />
      <Route path="ageing" element={<AgeingPage />} />
      <Route path="measures" element={<MeasuresPage />} />
      <Route path="leakage" element={<LeakagePage />} />
      <Route path="cash" element={<CashForecastPage />} />
      <Route path="provision" element={<ProvisionPage />} />
      <Route path="mailed" element={<MailedPage />} />
      <Route path="what-if" element={<WhatIfPage />} />
    </Route>
    <Route path="*" element={<NotFound />} />
  </>
);

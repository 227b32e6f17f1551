import type { QueryClient, QueryKey } from '@tanstack/react-query';

/** What an answer rests on. */
export type Subject =
  | 'session'
  | 'company'
  | 'policies'
  | 'rates'
  | 'users'
  | 'views'
  /** What was handed over to the general ledger. */
  | 'journal'
  /** What goes out to customers. */
  | 'messages'
  /** Runs of late charges and reminders. */
  | 'runs'
  /** The past under other rules. */
  | 'whatIfs'
  /** Views that go out by themselves. */
  | 'mailedViews'
  /** What is shown over all accounts. */
  | 'book'
  /** What is shown of one account, or of what belongs to it. */
  | 'account';

/** What each question of the interface rests on; an empty list is what only a new version of the program changes. */
export const restsOn: Record<string, readonly Subject[]> = {
  getSession: ['session'],
  listUsers: ['users'],
  getUserChanges: ['users'],
  listKeys: ['users'],
  listSignIns: ['users'],
  listAccounts: ['book', 'policies', 'company'],
  getAgeing: ['book', 'company'],
  listAgeingItems: ['book', 'company'],
  getMeasures: ['book', 'company', 'rates'],
  listMeasuredDocuments: ['book', 'company', 'rates'],
  getMeasuresCourse: ['book', 'company', 'rates'],
  listMeasuresBy: ['book', 'company', 'rates'],
  getCashForecast: ['book', 'company', 'rates'],
  listExpectedCash: ['book', 'company', 'rates'],
  getProvision: ['book', 'company', 'rates', 'policies'],
  listProvisionMatrices: ['policies'],
  listWhatIfs: ['whatIfs'],
  getWhatIf: ['whatIfs'],
  getReplayedAccount: ['whatIfs', 'book'],
  getOverview: ['account', 'company', 'policies', 'rates'],
  listMailedViews: ['mailedViews'],
  getGroupStatement: ['account', 'company'],
  getLeakage: ['book', 'company', 'rates'],
  getAgeingCourse: ['book', 'company', 'rates'],
  find: ['book'],
  listChoices: [],
  proposeCode: ['book'],
  getAccount: ['account', 'policies', 'company', 'rates'],
  getCustomer: ['account'],
  getSettlement: ['account', 'policies', 'company'],
  getExposure: ['account', 'company'],
  getItemCharge: ['account', 'policies', 'company'],
  getLedger: ['account'],
  getAccountStatement: ['account', 'company'],
  listDocuments: ['account'],
  getDocument: ['account'],
  listDocumentLines: ['account'],
  getAccountChanges: ['account'],
  suggestLimits: ['account', 'company', 'rates'],
  getCourse: ['account', 'company'],
  getForecast: ['account', 'company'],
  listLimitRequests: ['book'],
  listGroups: ['book', 'company', 'rates'],
  getGroup: ['account', 'company', 'rates'],
  listRates: ['rates', 'company'],
  listOrders: ['book', 'company'],
  getOrder: ['account', 'company', 'rates'],
  getToday: ['book', 'company', 'rates', 'runs', 'messages'],
  listViews: ['views'],
  listLog: ['account'],
  listAttachments: ['account'],
  listChangeableFields: ['company'],
  listChangesOfMany: ['book'],
  proposeReminder: ['account', 'policies', 'company'],
  listPostings: ['book'],
  listStatements: ['book'],
  listStatementLines: ['book', 'policies', 'company'],
  getBankEntry: ['book', 'policies', 'company'],
  listRefunds: ['book'],
  listPaymentFiles: ['book'],
  listToBank: ['book', 'company'],
  listSlips: ['book'],
  getSlip: ['book'],
  listUnassigned: ['book'],
  getUnassigned: ['book', 'policies', 'company'],
  listOwnBankAccounts: ['company'],
  listBankAccounts: ['account'],
  getJournal: ['account', 'company'],
  listJournalBalances: ['book'],
  listJournalLines: ['book'],
  listHandOvers: ['book', 'journal'],
  listSettled: ['account', 'company'],
  listMessages: ['messages', 'book'],
  getMessage: ['messages'],
  listMail: ['messages'],
  listRuns: ['runs'],
  getRun: ['runs'],
  listRunLines: ['runs'],
  listRunAccounts: ['runs'],
  getRunResults: ['runs', 'book'],
  getReminderResults: ['runs', 'book', 'policies'],
  getRunAccount: ['runs', 'account', 'policies', 'company'],
  getMail: [],
  listMessageFields: [],
  listTerms: ['policies', 'book'],
  listTermsFields: [],
  listLateChargePolicies: ['policies', 'book'],
  listLateChargeTemplates: [],
  listReminderPlans: ['policies', 'book'],
  listLetterFields: [],
  listCalendars: ['policies', 'company'],
  listTaxCodes: ['policies', 'book'],
  listReferenceRates: ['policies'],
  getPolicyHistory: ['policies'],
  getPolicyUsers: ['policies', 'book'],
  getCompany: ['company'],
  getCompanyChanges: ['company'],
  getSettingUp: ['company', 'policies', 'users', 'book'],
};

/** What a request changed. */
export interface Change {
  subjects: readonly Subject[];
  /** The one account it changed; every account where it is left out. */
  code?: string;
}

/** Something was posted to an account, or its record, limit or state changed. */
export const ofAccount = (code: string): Change => ({ subjects: ['book', 'account'], code });
/** More than one account may have changed. */
export const ofAccounts: Change = { subjects: ['book', 'account'] };
export const ofPolicies: Change = { subjects: ['policies', 'book', 'account'] };
export const ofCompany: Change = { subjects: ['company', 'policies', 'rates', 'book', 'account'] };
export const ofRates: Change = { subjects: ['rates', 'book', 'account'] };
export const ofUsers: Change = { subjects: ['users'] };
export const ofViews: Change = { subjects: ['views'] };
export const ofJournal: Change = { subjects: ['journal'] };
export const ofSession: Change = { subjects: ['session'] };
/** A message was put into the outbox, or something was decided about it; the account's log tells of it. */
export const ofMessages = (code?: string): Change => ({ subjects: ['messages', 'account'], code });
/** Something was decided about a run; what it posts in the background is read again as it goes. */
export const ofRuns: Change = { subjects: ['runs'] };
/** A run posted or took back something on accounts. */
export const ofRunsAndAccounts: Change = { subjects: ['runs', 'messages', 'book', 'account'] };
export const ofWhatIfs: Change = { subjects: ['whatIfs'] };
export const ofMailedViews: Change = { subjects: ['mailedViews', 'messages'] };
export const ofNothing: Change = { subjects: [] };

/** Whether the answer to a question may be another one after the change. */
export function isTouched(key: QueryKey, { subjects, code }: Change): boolean {
  const asked = (key[0] ?? {}) as { _id?: string; path?: { code?: string } };
  const rests = restsOn[asked._id ?? ''] ?? [];
  return rests.some(
    (subject) =>
      subjects.includes(subject) &&
      // Another account's page stays as it is, unless something else that it rests on changed too.
      (subject !== 'account' ||
        code === undefined ||
        asked.path?.code === undefined ||
        asked.path.code.toUpperCase() === code.toUpperCase()),
  );
}

/** Reads again what the change touched, and nothing else; what is not in sight is read when it is looked at. */
export const readAgain = (client: QueryClient, change: Change) =>
  client.invalidateQueries({ predicate: ({ queryKey }) => isTouched(queryKey, change) });

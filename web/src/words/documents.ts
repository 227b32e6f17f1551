/** What is named about a document before it is posted, by its published name. */
export const warningNames: Record<string, string> = {
  'likely-duplicate': 'Likely duplicate.',
  'unusual-date': 'Unusual date.',
  'on-slip': 'On a paying-in slip.',
};

export const sourceNames: Record<string, string> = {
  ownAssessment: 'Own assessment',
  creditInsurer: 'Credit insurer',
  agencyReport: 'Agency report',
  guarantee: 'Guarantee',
};

export const sourceOptions = Object.entries(sourceNames).map(([value, label]) => ({ value, label }));

export const requestStates: Record<string, string> = {
  asked: 'waits for approval',
  approved: 'approved',
  refused: 'refused',
  withdrawn: 'withdrawn',
  expired: 'expired',
};

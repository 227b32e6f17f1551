const own = 'GB08SALT10203012345678';

/** A booking as the bank writes it down. */
export interface Line {
  amount: string;
  payer: string;
  text: string[];
  debit?: boolean;
}

/** A bank statement as a file, as a bank would give it. */
export function statement(id: string, lines: Line[]) {
  const sum = lines.reduce((all, l) => all + (l.debit ? -1 : 1) * Math.round(Number(l.amount) * 100), 0);
  const balance = (code: string, minor: number) =>
    `<Bal><Tp><CdOrPrtry><Cd>${code}</Cd></CdOrPrtry></Tp><Amt Ccy="GBP">${(minor / 100).toFixed(2)}</Amt>` +
    '<CdtDbtInd>CRDT</CdtDbtInd><Dt><Dt>2026-03-16</Dt></Dt></Bal>';
  const entries = lines.map(
    (l, i) =>
      `<Ntry><NtryRef>${id}-${i}</NtryRef><Amt Ccy="GBP">${l.amount}</Amt><CdtDbtInd>${l.debit ? 'DBIT' : 'CRDT'}</CdtDbtInd>` +
      '<Sts><Cd>BOOK</Cd></Sts><BookgDt><Dt>2026-03-16</Dt></BookgDt><ValDt><Dt>2026-03-16</Dt></ValDt>' +
      `<NtryDtls><TxDtls><RltdPties><Dbtr><Pty><Nm>${l.payer}</Nm></Pty></Dbtr></RltdPties>` +
      `<RmtInf>${l.text.map((t) => `<Ustrd>${t}</Ustrd>`).join('')}</RmtInf></TxDtls></NtryDtls></Ntry>`,
  );
  return (
    '<Document xmlns="urn:iso:std:iso:20022:tech:xsd:camt.053.001.08"><BkToCstmrStmt><GrpHdr><MsgId>M</MsgId></GrpHdr>' +
    `<Stmt><Id>${id}</Id><Acct><Id><IBAN>${own}</IBAN></Id><Ccy>GBP</Ccy></Acct>` +
    `${balance('OPBD', 100_000)}${balance('CLBD', 100_000 + sum)}${entries.join('')}</Stmt></BkToCstmrStmt></Document>`
  );
}

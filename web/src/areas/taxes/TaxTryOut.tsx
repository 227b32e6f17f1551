import { Alert } from 'antd';
import { useState } from 'react';
import { tryOutTaxCode, type TaxCodeRequest } from '../../api/generated';
import { answer, asProblem } from '../../api/problem';
import { useCompany } from '../../api/queries';
import { plain } from '../../form/options';
import { SampleAmount } from '../../form/Sample';
import { useTryOut } from '../../form/useTryOut';
import { money } from '../../format/money';
import { Waiting } from '../../shell/Loaded';
import { Lines } from '../../table/Lines';

/** The tax on a sample invoice under the code being typed. */
export function TaxTryOut({ taxCode }: { taxCode: TaxCodeRequest }) {
  const company = useCompany();
  const [goods, setGoods] = useState('1000.00');
  const [freight, setFreight] = useState('18.00');
  const on = company.data?.businessDate;
  const body = {
    taxCode,
    currency: company.data?.baseCurrency ?? 'GBP',
    goods: plain(goods),
    freight: plain(freight),
    on,
  };
  const { shown, error } = useTryOut('tax', body, (b) => answer(tryOutTaxCode({ body: b })), on !== undefined);
  return (
    <section className="card pad" aria-label="Try-out">
      <h2>Try-out: tax on a sample invoice</h2>
      <div className="ties" style={{ margin: '8px 0' }}>
        <SampleAmount label="Goods" name="Sample goods" value={goods} onChange={setGoods} />
        <SampleAmount label="Freight" name="Sample freight" value={freight} onChange={setFreight} />
      </div>
      {error && <Alert type="error" showIcon title={asProblem(error).detail} />}
      {!shown && !error && <Waiting what="the try-out" lines={4} />}
      {shown && (
        <Lines
          lines={[
            { name: 'Taxed', value: money(shown.taxed) },
            ...shown.parts.map((part) => ({
              name: `${part.authority}, ${part.percent} %`,
              value: money(part.amount),
            })),
            { name: `Tax, ${shown.percent} %`, value: money(shown.tax), tone: 'strong' },
            { name: 'Invoice total', value: money(shown.gross) },
          ]}
        />
      )}
    </section>
  );
}
